import type { Metadata } from "next";
import { ColoursView } from "@/features/colours/colours-view";
import { listColours, removedColours } from "@/features/colours/queries";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Colours" };

export default async function ColoursPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <OnlyInBrowser>
          <ColoursView
            cards={await listColours(person)}
            removed={person.role === "owner" ? await removedColours(person) : []}
          />
        </OnlyInBrowser>
      </div>
    </>
  );
}
