"use client";

import Link from "next/link";
import { useMemo } from "react";
import { callAct } from "@/contracts/call-act";
import { priceDraft, savePrice, type PriceDraft } from "@/contracts/money";
import { received, type Sent } from "@/contracts/sent";
import { priceForMargin, type CostKind, type JobCost } from "@/core/money/job-cost";
import { moneyText, type Minor } from "@/core/money/money";
import { priceOf } from "@/core/money/price";
import { USED_BY_WORDS, type UsedBy } from "@/core/money/rates";
import type { Spread } from "@/core/numerics/spread";
import { trimmed } from "@/core/units/format-quantity";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { FormProblem } from "@/ui/form-problem";
import { QuantityField } from "@/ui/quantity-field";
import { useKeptForm } from "@/ui/use-kept-form";
import { PriceFoot, PriceLines } from "./price-lines";
import type { OpenPrice } from "./queries";
import type { OrderOfJob } from "./quote/queries";

const KIND_HEADS: Record<CostKind, string> = {
  resin: "Resin",
  colour: "Colours",
  "used up": "Used up",
  hours: "Hours",
  boards: "Sample boards",
  disposal: "Disposal",
  overhead: "Overhead",
};

/** What a job costs and what is asked for it: the price by its list, what stays of it, and each line's reason. */
export function PriceView({
  jobId,
  shown,
  order,
  system,
}: {
  jobId: string;
  shown: Sent<OpenPrice>;
  order: OrderOfJob | null;
  system: UnitSystem;
}) {
  const { cost, suggested, rates, typed, draft } = useMemo(() => received(shown), [shown]);
  const { currency } = rates;
  const start: PriceDraft = draft ?? { lines: suggested, rushPct: 0 };
  const form = useKeptForm<PriceDraft>({
    key: `price.${jobId}`,
    schema: priceDraft,
    start,
    send: async (fields) => {
      const result = await callAct(savePrice, { jobId, fields });
      return result.ok ? null : result.error;
    },
  });
  const { values, set, faultAt } = form;
  const used = values.lines.filter(({ quantity }) => quantity > 0);
  const rules = { ...rates, rushPct: values.rushPct };
  const price = priceOf(used, rules);
  const money = (amount: Minor) => moneyText(Math.round(amount), currency);
  const stays = (of: number) => (price.net > 0 ? (price.net - of) / price.net : null);
  const [likely, low, high] = [stays(cost.total.likely), stays(cost.total.high), stays(cost.total.low)];
  const wanted = priceForMargin(cost.total.likely, rates.marginPct);
  const short = likely !== null && likely * 100 < rates.marginPct;
  const percent = (share: number) => `${trimmed(share * 100, 0)} %`;
  const perHour = cost.hours.likely > 0 ? (price.net - cost.total.likely) / cost.hours.likely : null;
  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <section
        aria-label="Price"
        className="w-[318px] max-lg:w-full shrink-0 pl-7 pr-6 pt-4 pb-6 border-r border-line"
      >
        <div className="label mb-1">{rates.taxPct > 0 ? `price with ${rates.taxName}` : "price"}</div>
        <div className="figure text-4xl leading-none" role="status">
          {money(price.total)}
        </div>
        {rates.taxPct > 0 && (
          <div className="label mt-1">
            {money(price.net)} and {money(price.tax)} {rates.taxName}
          </div>
        )}
        <div className="label mt-5 mb-1">it costs us</div>
        <div className="figure text-2xl leading-none">{money(cost.total.likely)}</div>
        <div className="label mt-1">
          {money(cost.total.low)} to {money(cost.total.high)}
        </div>
        <div className="label mt-5 mb-1">stays of it</div>
        <div className={`figure text-2xl leading-none ${short ? "text-danger" : ""}`}>
          {likely === null ? "none yet" : percent(likely)}
        </div>
        {low !== null && high !== null && (
          <div className="label mt-1">
            {percent(low)} to {percent(high)}
            {perHour !== null && `, ${money(perHour)} an hour beyond wages`}
          </div>
        )}
        <p className="border-l-[3px] border-ink pl-3 mt-5 text-sm">
          For {trimmed(rates.marginPct, 1)} % to stay, {money(wanted)} before tax.
        </p>
        {order && (
          <p
            className={`border-l-[3px] pl-3 mt-3 text-sm ${order.uncovered > 0 ? "border-danger" : "border-ink"}`}
          >
            Ordered by{" "}
            <Link
              href={`/jobs/${jobId}/quote?quote=${order.id}`}
              className="underline underline-offset-4 decoration-line-strong"
            >
              quote {order.number}
            </Link>{" "}
            for {order.asked}.
            {order.uncovered > 0 &&
              ` The plan was changed since: ${order.uncovered === 1 ? "one thing" : `${order.uncovered} things`} it does not cover.`}
          </p>
        )}
        {cost.unpriced.length > 0 && (
          <p className="border-l-[3px] border-danger pl-3 mt-3 text-sm">
            Not counted, for want of a price: {cost.unpriced.join(", ")}.
          </p>
        )}
        {!typed && (
          <p className="border-l-[3px] border-ink pl-3 mt-3 text-sm">
            By usual rates: nobody has typed the shop&apos;s own.
          </p>
        )}
        <div className="flex gap-5 mt-6 text-sm flex-wrap">
          <Link href="/shop/rates" className="underline underline-offset-4 decoration-line-strong">
            rates and price list
          </Link>
          <Link href={`/jobs/${jobId}/quote`} className="underline underline-offset-4 decoration-line-strong">
            quote
          </Link>
          <Link href={`/jobs/${jobId}/buy`} className="underline underline-offset-4 decoration-line-strong">
            what to buy
          </Link>
        </div>
      </section>
      <section aria-label="Lines" tabIndex={0} className="flex-1 min-w-0 px-7 pt-4 pb-8 overflow-y-auto">
        <form onSubmit={form.submit} noValidate>
          <div className="flex items-baseline gap-4 border-b border-ink pb-1 mb-2 flex-wrap">
            <h2 className="heading text-xl mr-auto">What is asked</h2>
            <Button weight="quiet" onClick={() => set({ lines: suggested, rushPct: 0 })}>
              by the plan again
            </Button>
            <Button
              weight="quiet"
              onClick={() =>
                set({ lines: [...values.lines, { words: "", quantity: 1, unit: "flat", each: 0 }] })
              }
            >
              add a line
            </Button>
          </div>
          <PriceLines
            lines={values.lines}
            rules={rules}
            system={system}
            faultAt={(path) => faultAt(`lines.${path}`)}
            onChange={(lines) => set({ lines })}
          />
          <div className="flex items-end gap-4 mt-2 flex-wrap">
            <QuantityField
              label="Rush, on top of all lines"
              value={values.rushPct}
              dimension="percent"
              system={system}
              bounds={{ min: 0, max: 300 }}
              fault={faultAt("rushPct")}
              className="w-48"
              onChange={(rushPct) => set({ rushPct })}
              bare
            />
            <div className="ml-auto pr-11">
              <PriceFoot lines={values.lines} rules={rules} />
            </div>
          </div>
          <FormProblem words={form.problemBeside("lines", "rushPct")} />
          <Button type="submit" weight="primary" className="mt-4 min-h-11" disabled={form.busy}>
            Keep the price
          </Button>
        </form>
        <CostTable cost={cost} money={money} />
      </section>
    </main>
  );
}

/** Each line of the cost with its spread and its reason. */
function CostTable({ cost, money }: { cost: JobCost; money: (amount: number) => string }) {
  const why = (words: string) => USED_BY_WORDS[words as UsedBy] ?? words;
  const range = (spread: Spread) =>
    spread.high - spread.low < 1 ? "" : `${money(spread.low)} to ${money(spread.high)}`;
  return (
    <table aria-label="What it costs" className="w-full mt-8">
      <caption className="heading text-xl text-left border-b border-ink pb-1">What it costs us</caption>
      <tbody>
        {cost.lines.map((line, index) => (
          <tr key={index} className="border-b border-line align-baseline">
            <th scope="row" className="label text-left font-normal py-1.5 w-32">
              {line.kind === cost.lines[index - 1]?.kind ? "" : KIND_HEADS[line.kind]}
            </th>
            <td className="pr-4">{line.words}</td>
            <td className="label pr-4">{why(line.why)}</td>
            <td className="label text-right pr-4 whitespace-nowrap">{line.cost ? range(line.cost) : ""}</td>
            <td className="figure text-right whitespace-nowrap">
              {line.cost ? money(line.cost.likely) : "no price"}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
