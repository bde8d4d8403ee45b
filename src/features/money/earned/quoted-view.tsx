import Link from "next/link";
import { WAITING_MIN } from "@/core/money/earned";
import { moneyText } from "@/core/money/money";
import type { Spread } from "@/core/numerics/spread";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText, trimmed } from "@/core/units/format-quantity";
import type { HeldQuote } from "../worked-out";

type Row = { what: string; quoted: string; between: string; actual: string; note?: string; over: boolean };

/** What was quoted of a job beside what became of it: resin, hours, money. */
export function QuotedView({
  order: { jobId, number, currency, held, finished },
  system,
}: {
  order: HeldQuote;
  system: UnitSystem;
}) {
  const money = (amount: number) => moneyText(Math.round(amount), currency);
  const volume = (ml: number) => quantityText(ml, "volume", system);
  const hours = (many: number) => `${trimmed(many, 1)} h`;
  const between = ({ low, high }: Spread, words: (value: number) => string) =>
    `${words(low)} to ${words(high)}`;
  const rows: Row[] = [
    ...held.resins.map(({ name, quotedMl, actualMl }) => ({
      what: name,
      quoted: volume(quotedMl.likely),
      between: between(quotedMl, volume),
      actual: volume(actualMl),
      over: actualMl > quotedMl.high,
    })),
    {
      what: "Hours",
      quoted: hours(held.hours.quoted.likely),
      between: between(held.hours.quoted, hours),
      actual: hours(held.hours.actual),
      over: held.hours.actual > held.hours.quoted.high,
    },
    {
      what: "All it cost",
      quoted: money(held.cost.quoted.likely),
      between: between(held.cost.quoted, money),
      actual: money(held.cost.actual.likely),
      note: between(held.cost.actual, money),
      over: held.cost.actual.likely > held.cost.quoted.high,
    },
    {
      what: "Stays of the price",
      quoted: money(held.stays.quoted.likely),
      between: between(held.stays.quoted, money),
      actual: money(held.stays.actual.likely),
      note: between(held.stays.actual, money),
      over: held.stays.actual.likely < held.stays.quoted.low,
    },
    ...(held.perHour.quoted !== null && held.perHour.actual !== null
      ? [
          {
            what: "An hour brought",
            quoted: money(held.perHour.quoted),
            between: "",
            actual: money(held.perHour.actual),
            over: held.perHour.actual < held.perHour.quoted,
          },
        ]
      : []),
  ];
  return (
    <section aria-label="Quoted and actual" className="pt-5">
      <div className="flex items-baseline gap-4 border-b border-ink pb-1 flex-wrap">
        <h2 className="heading text-lg">Quoted and actual</h2>
        <Link href={`/jobs/${jobId}/quote`} className="label underline underline-offset-4">
          quote {number}, {money(held.net)} before tax
        </Link>
        {!finished && <span className="label">not finished: so far</span>}
      </div>
      <table className="w-full max-w-[860px]">
        <thead className="label text-left">
          <tr>
            <th className="font-normal py-1" />
            <th className="font-normal">quoted</th>
            <th className="font-normal">actual</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ what, quoted, between: spread, actual, note, over }) => (
            <tr key={what} className="border-t border-line align-baseline">
              <th scope="row" className="text-left font-normal py-1.5 pr-4">
                {what}
              </th>
              <td className="pr-4">
                <span className="figure text-lg max-sm:text-base whitespace-nowrap">{quoted}</span>{" "}
                <span className="label sm:ml-3 max-sm:block">{spread}</span>
              </td>
              <td>
                <span
                  className={`figure text-lg max-sm:text-base whitespace-nowrap ${over ? "text-danger" : ""}`}
                >
                  {actual}
                </span>{" "}
                <span className="label sm:ml-3 max-sm:block">{note}</span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="label mt-1 max-w-prose">
        Resin as it was mixed; hours between ticks no more than {WAITING_MIN} min apart, by those who were on
        it, and setting up as the rates say. What is used up, boards and disposal stand as they were reckoned:
        nobody records them.
      </p>
    </section>
  );
}
