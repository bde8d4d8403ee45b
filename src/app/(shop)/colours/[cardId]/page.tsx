import type { Metadata } from "next";
import type { ColourCardFields } from "@/contracts/colour-card";
import { ColourForm } from "@/features/colours/colour-form";
import { openColour } from "@/features/colours/queries";
import { Header } from "@/features/shell/header";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Colour" };

const EMPTY: ColourCardFields = {
  name: "",
  index: "",
  kind: "paste",
  appearance: {
    by: "swatches",
    swatches: { masstone: null, tint: null, shade: null },
    opacity: "semi",
    dryShare: 1,
  },
  mostPer100G: 6,
  measure: { unit: "drop", dropMl: 0.05, densityGPerMl: 1.2 },
  densityGPerMl: 1.2,
  pricePerKg: null,
};

export default async function ColourPage({ params }: { params: Promise<{ cardId: string }> }) {
  const person = await requirePerson();
  const { cardId } = await params;
  const card = cardId === "new" ? null : await orNotFound(openColour(person, cardId));
  const { id: _id, ...fields } = card ?? { id: "", ...EMPTY };
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <OnlyInBrowser>
          <ColourForm cardId={card?.id ?? null} start={fields} canRemove={person.role === "owner"} />
        </OnlyInBrowser>
      </div>
    </>
  );
}
