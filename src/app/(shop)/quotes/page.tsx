import type { Metadata } from "next";
import { sent } from "@/contracts/sent";
import { shopQuotes } from "@/features/money/quote/queries";
import { QuoteList } from "@/features/money/quote/quote-list";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "Quotes" };

export default async function AllQuotesPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <QuoteList shown={sent(await shopQuotes(person))} />
      </div>
    </>
  );
}
