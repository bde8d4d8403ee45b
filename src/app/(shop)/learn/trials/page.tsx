import type { Metadata } from "next";
import { sent } from "@/contracts/sent";
import { Header } from "@/features/shell/header";
import { shopTrials } from "@/features/trials/queries";
import { TrialsView } from "@/features/trials/trials-view";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Trials" };

export default async function TrialsPage({
  searchParams,
}: {
  searchParams: Promise<{ trial?: string | string[] }>;
}) {
  const person = await requirePerson();
  const { trial } = await searchParams;
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <OnlyInBrowser>
          <TrialsView
            shown={sent(await shopTrials(person))}
            chosen={typeof trial === "string" ? trial : null}
            system={person.units}
          />
        </OnlyInBrowser>
      </div>
    </>
  );
}
