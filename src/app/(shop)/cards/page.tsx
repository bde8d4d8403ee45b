import type { Metadata } from "next";
import { CardsView } from "@/features/cards/cards-view";
import { listCards } from "@/features/cards/queries";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Resins" };

export default async function CardsPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto">
        <OnlyInBrowser>
          <CardsView cards={await listCards(person)} />
        </OnlyInBrowser>
      </div>
    </>
  );
}
