"use client";

import Link from "next/link";
import { useMemo } from "react";
import { received, type Sent } from "@/contracts/sent";
import { askedWords, quoteNumber, quoteState } from "@/core/money/quote";
import type { UnitSystem } from "@/core/units/dimension";
import { classNames } from "@/ui/class-names";
import { QuoteForm } from "./quote-form";
import { QuoteShown } from "./quote-shown";
import type { OpenQuotes } from "./queries";
import { QUOTE_STATE_WORDS } from "./quote-words";

/** A job's quotes: the one that was chosen, or a new one to be written. */
export function QuotesView({
  jobId,
  shown,
  chosen,
  system,
}: {
  jobId: string;
  shown: Sent<OpenQuotes>;
  chosen: string | null;
  system: UnitSystem;
}) {
  const open = useMemo(() => received(shown), [shown]);
  const { quotes, today } = open;
  const kept = chosen === "new" ? undefined : (quotes.find(({ id }) => id === chosen) ?? quotes[0]);
  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <nav
        aria-label="Quotes of this job"
        className="w-[236px] max-lg:w-full shrink-0 pl-7 pr-5 pt-4 pb-6 border-r border-line max-lg:border-r-0"
      >
        {kept && (
          <Link
            href={`/jobs/${jobId}/quote?quote=new`}
            className="inline-flex items-center border border-ink px-3.5 min-h-11 hover:bg-paper mb-4"
          >
            Another quote
          </Link>
        )}
        <ul>
          {quotes.map(({ id, year, number, quote, entries }) => (
            <li key={id} className="border-t border-line">
              <Link
                href={`/jobs/${jobId}/quote?quote=${id}`}
                aria-current={id === kept?.id ? "page" : undefined}
                className={classNames(
                  "block py-2 pl-3 border-l-[3px] hover:bg-paper",
                  id === kept?.id ? "border-signal" : "border-transparent",
                )}
              >
                <span className="figure text-lg block leading-tight">{quoteNumber({ year, number })}</span>
                <span className="label">
                  {QUOTE_STATE_WORDS[quoteState(quote, entries, today).state]}, {askedWords(quote)}
                </span>
              </Link>
            </li>
          ))}
        </ul>
        <div className="flex flex-col gap-2 mt-5 text-sm items-start">
          <Link href={`/jobs/${jobId}/price`} className="underline underline-offset-4 decoration-line-strong">
            cost and price
          </Link>
          <Link href="/quotes" className="underline underline-offset-4 decoration-line-strong">
            all quotes
          </Link>
        </div>
      </nav>
      <div tabIndex={0} className="flex-1 min-w-0 px-7 pt-4 pb-8 overflow-y-auto">
        {kept ? (
          <QuoteShown key={kept.id} kept={kept} open={open} system={system} />
        ) : (
          <QuoteForm jobId={jobId} open={open} system={system} />
        )}
      </div>
    </main>
  );
}
