import Link from "next/link";
import { earnedBy } from "@/core/money/earned";
import { moneyText } from "@/core/money/money";
import { trimmed } from "@/core/units/format-quantity";
import type { HeldQuote } from "../worked-out";

/** What an hour brought, by technique and size, over the orders that are poured. */
export function EarnedView({ orders, all }: { orders: readonly HeldQuote[]; all: number }) {
  const currencies = [...new Set(orders.map(({ currency }) => currency))];
  return (
    <main className="px-7 max-sm:px-4 py-5 max-w-[1226px]">
      <Link href="/learn" className="label underline underline-offset-4">
        How good are we?
      </Link>
      <h1 className="heading text-2xl mt-1">What an hour brought</h1>
      <p className="text-ink-soft max-w-prose mb-6">
        {orders.length === 0
          ? "Nothing yet: a job counts when its quote was accepted and its pour is finished."
          : `The price without tax, less all cost but wages, over the hours it took: ${orders.length === 1 ? "one order" : `${orders.length} orders`} that are poured, of ${all}.`}
      </p>
      {currencies.map((currency) => {
        const own = orders.filter((order) => order.currency === currency);
        const money = (amount: number) => moneyText(Math.round(amount), currency);
        const rows = earnedBy(
          own.flatMap(({ technique, size, held: { hours, perHour } }) =>
            perHour.actual === null
              ? []
              : [{ technique, size, hours: hours.actual, perHour: perHour.actual }],
          ),
        );
        const most = Math.max(1, ...rows.map(({ perHour }) => perHour.high));
        const at = (amount: number) => `${(100 * Math.max(0, amount)) / most}%`;
        return (
          <section key={currency} className="mb-8">
            <table aria-label={`What an hour brought, in ${currency}`} className="w-full">
              <thead className="label text-left">
                <tr className="border-b border-ink">
                  <th className="font-normal pb-1">technique</th>
                  <th className="font-normal">top</th>
                  <th className="font-normal max-sm:hidden">orders</th>
                  <th className="font-normal">hours</th>
                  <th className="font-normal">an hour brought</th>
                  <th className="font-normal w-2/5 max-sm:hidden">from the least to the most</th>
                </tr>
              </thead>
              <tbody>
                {rows.map(({ technique, size, jobs, hours, perHour }) => (
                  <tr key={technique + size} className="border-b border-line align-middle">
                    <th scope="row" className="text-left font-semibold py-2.5 pr-4">
                      {technique}
                    </th>
                    <td className="pr-4 sm:whitespace-nowrap">{size}</td>
                    <td className="pr-4 max-sm:hidden">{jobs}</td>
                    <td className="pr-4">{trimmed(hours, 1)}</td>
                    <td className="figure text-2xl max-sm:text-base sm:pr-6 whitespace-nowrap">
                      {money(perHour.likely)}
                    </td>
                    <td className="max-sm:hidden">
                      <div className="relative h-6 border-l border-ink" aria-hidden>
                        <div
                          className="absolute top-1/2 h-px bg-ink"
                          style={{ left: at(perHour.low), right: `calc(100% - ${at(perHour.high)})` }}
                        />
                        <div
                          className="absolute top-1 h-4 w-1 bg-ink -ml-0.5"
                          style={{ left: at(perHour.likely) }}
                        />
                      </div>
                      <span className="label">
                        {jobs === 1
                          ? "one order says little"
                          : `${money(perHour.low)} to ${money(perHour.high)}`}
                      </span>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <h2 className="heading text-lg mt-7 border-b border-ink pb-1">Order by order</h2>
            <ul>
              {own.map(({ jobId, jobName, number, technique, size, held }) => (
                <li
                  key={number}
                  className="border-b border-line py-1.5 grid grid-cols-[90px_1fr_1fr_130px_130px] max-sm:grid-cols-2 gap-4 items-baseline"
                >
                  <span className="figure">{number}</span>
                  <Link
                    href={`/jobs/${jobId}/log`}
                    className="underline underline-offset-4 decoration-line-strong"
                  >
                    {jobName}
                  </Link>
                  <span className="label">
                    {technique}, {size}
                  </span>
                  <span className="text-right">stays {money(held.stays.actual.likely)}</span>
                  <span className="figure text-right max-sm:col-start-2">
                    {held.perHour.actual === null ? "" : `${money(held.perHour.actual)} / h`}
                  </span>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </main>
  );
}
