import type { Metadata } from "next";
import { sent } from "@/contracts/sent";
import { openQuotes } from "@/features/money/quote/queries";
import { QuotesView } from "@/features/money/quote/quotes-view";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Quote" };

export default async function QuotePage({
  params,
  searchParams,
}: {
  params: Promise<{ jobId: string }>;
  searchParams: Promise<{ quote?: string | string[] }>;
}) {
  const person = await requirePerson();
  const { jobId } = await params;
  const { quote } = await searchParams;
  const shown = await orNotFound(openQuotes(person, jobId));
  return (
    <OnlyInBrowser>
      <QuotesView
        jobId={jobId}
        shown={sent(shown)}
        chosen={typeof quote === "string" ? quote : null}
        system={person.units}
      />
    </OnlyInBrowser>
  );
}
