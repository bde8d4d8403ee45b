import type { Metadata } from "next";
import { PLAIN_CARD, resinCardFields, type ResinCardFields } from "@/contracts/resin-card";
import type { BenchTest } from "@/core/cure/resin-card";
import { CardForm } from "@/features/cards/card-form";
import { listCards, openCard } from "@/features/cards/queries";
import { Header } from "@/features/shell/header";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Resin" };

const EMPTY: ResinCardFields = {
  name: "",
  kind: "coating",
  ratioBy: "volume",
  ratioA: 1,
  ratioB: 1,
  ratioTolerancePct: 3,
  densityAGPerMl: 1.15,
  densityBGPerMl: 0.98,
  viscosityPaS: null,
  viscosityTempC: 25,
  potLifeMin: null,
  potMassG: 150,
  potTempC: 24,
  filmTempC: 24,
  workMin: null,
  gelH: null,
  tackFreeH: null,
  recoatFromH: null,
  recoatUntilH: null,
  sandH: null,
  hardH: null,
  largestMixG: null,
  thickestFilmMm: null,
  ...PLAIN_CARD,
  pricePerLitre: null,
  forCounters: true,
};

/** A test that the log proposes, as Learn's link names it: minutes until a film draws no more string. */
function proposedTest(minutes: unknown, tempC: number): BenchTest | null {
  const test = { kind: "string" as const, minutes: Number(minutes), tempC, massG: null };
  return typeof minutes === "string" && resinCardFields.shape.benchTests.safeParse([test]).success
    ? test
    : null;
}

export default async function CardPage({
  params,
  searchParams,
}: {
  params: Promise<{ cardId: string }>;
  searchParams: Promise<{ string?: string | string[] }>;
}) {
  const person = await requirePerson();
  const { cardId } = await params;
  const card = cardId === "new" ? null : await orNotFound(openCard(person, cardId));
  const { id: _id, ...fields } = card ?? { id: "", ...EMPTY };
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible flex flex-col">
        <OnlyInBrowser>
          <CardForm
            cardId={card?.id ?? null}
            start={fields}
            system={person.units}
            canRemove={person.role === "owner"}
            proposed={proposedTest((await searchParams).string, fields.filmTempC)}
            others={(await listCards(person)).filter(
              (resin) => resin.id !== card?.id && resin.kind !== "paint",
            )}
          />
        </OnlyInBrowser>
      </div>
    </>
  );
}
