import type { Metadata } from "next";
import { sent } from "@/contracts/sent";
import { openShelf } from "@/features/shelf/queries";
import { ShelfView } from "@/features/shelf/shelf-view";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Shelf" };

export default async function ShelfPage({
  searchParams,
}: {
  searchParams: Promise<{ item?: string | string[] }>;
}) {
  const person = await requirePerson();
  const { item } = await searchParams;
  const chosen = typeof item === "string" ? item : null;
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <OnlyInBrowser>
          <ShelfView shown={sent(await openShelf(person, chosen))} chosen={chosen} system={person.units} />
        </OnlyInBrowser>
      </div>
    </>
  );
}
