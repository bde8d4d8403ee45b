import type { Metadata } from "next";
import { sent } from "@/contracts/sent";
import { CountView } from "@/features/shelf/count-view";
import { openShelf } from "@/features/shelf/queries";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Count the shelf" };

export default async function CountPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <OnlyInBrowser>
          <CountView shown={sent(await openShelf(person, null))} system={person.units} />
        </OnlyInBrowser>
      </div>
    </>
  );
}
