"use client";

import Link from "next/link";
import { useMemo } from "react";
import { received, type Sent } from "@/contracts/sent";
import { quoteNumber, quoteState } from "@/core/money/quote";
import { useClockWords, useShopClock } from "@/ui/shop-clock";
import type { QuoteHead } from "./queries";
import { QUOTE_STATE_WORDS } from "./quote-words";

/** All quotes of the shop, the latest first, by year. */
export function QuoteList({ shown }: { shown: Sent<{ quotes: QuoteHead[]; today: string }> }) {
  const { quotes, today } = useMemo(() => received(shown), [shown]);
  const { say } = useShopClock();
  const { dateText } = useClockWords();
  const years = [...new Set(quotes.map(({ year }) => year))];
  return (
    <main className="px-7 max-sm:px-4 py-6 max-w-[1160px]">
      <h1 className="heading text-2xl mb-4">Quotes</h1>
      {quotes.length === 0 && (
        <p className="text-ink-soft">
          None yet. Open a job, then Cups, cost and price, quote: its looks stand side by side there.
        </p>
      )}
      {years.map((year) => (
        <table key={year} aria-label={`Quotes of ${year}`} className="w-full mb-8">
          <caption className="heading text-xl text-left border-b border-ink pb-1">{year}</caption>
          <thead className="sr-only">
            <tr>
              <th>number</th>
              <th>job</th>
              <th>asked</th>
              <th>how it stands</th>
              <th>until</th>
            </tr>
          </thead>
          <tbody>
            {quotes
              .filter((quote) => quote.year === year)
              .map(({ id, jobId, number, validUntil, entries, client, jobName, asked, at, deleted }) => {
                const { state } = quoteState({ validUntil }, entries, today);
                return (
                  <tr key={id} className="border-b border-line align-baseline">
                    <th scope="row" className="text-left font-normal py-2 w-32 max-sm:w-24 pr-2">
                      {deleted ? (
                        <span className="figure text-lg max-sm:text-base">
                          {quoteNumber({ year, number })}
                        </span>
                      ) : (
                        <Link
                          href={`/jobs/${jobId}/quote?quote=${id}`}
                          className="figure text-lg max-sm:text-base underline underline-offset-4 decoration-line-strong"
                        >
                          {quoteNumber({ year, number })}
                        </Link>
                      )}
                      <span className="label block">{say(at, "d MMM")}</span>
                    </th>
                    <td className="pr-4">
                      {client || jobName}
                      {(client || deleted) && (
                        <span className="label block">
                          {client && jobName}
                          {deleted && " (the job is deleted)"}
                        </span>
                      )}
                    </td>
                    <td className="figure text-lg max-sm:text-base pr-4 sm:whitespace-nowrap">{asked}</td>
                    <td className={`pr-4 ${state === "accepted" ? "font-semibold" : ""}`}>
                      {QUOTE_STATE_WORDS[state]}
                    </td>
                    <td className="label max-sm:hidden">stands until {dateText(validUntil)}</td>
                  </tr>
                );
              })}
          </tbody>
        </table>
      ))}
    </main>
  );
}
