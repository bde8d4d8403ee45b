"use client";

import Link from "next/link";
import { useMemo } from "react";
import { received, type Sent } from "@/contracts/sent";
import { FACTORS } from "@/core/batch/factors";
import { ODD_WEIGHT } from "@/core/learning/learn-volumes";
import { USUAL_WEIGHING_MIN } from "@/core/learning/pour-teaches";
import { adoptedWords, factorText } from "@/core/learning/learning-words";
import type { UnitSystem } from "@/core/units/dimension";
import { quantityText, trimmed } from "@/core/units/format-quantity";
import { MM2_PER_FT2, MM2_PER_M2 } from "@/core/units/constants";
import { useShopClock } from "@/ui/shop-clock";
import { ForecastChart } from "./forecast-chart";
import type { ShopLearning } from "./learn-shop";
import { LooksTable } from "./looks-table";
import { passWords, timesText } from "./learn-text";
import { Proposal } from "./proposal";
import { ResinSpeeds } from "./resin-speeds";

const percent = (share: number) => `${Math.round(share * 100)} %`;
const signed = (min: number) => {
  const whole = Math.round(min);
  return whole === 0 ? "0" : `${whole < 0 ? "−" : "+"}${Math.abs(whole)}`;
};

/** How well the shop foretells itself, and what it proposes to plan with. */
export function LearnView({
  shown,
  canDecide,
  system,
}: {
  shown: Sent<ShopLearning>;
  canDecide: boolean;
  system: UnitSystem;
}) {
  const learning = useMemo(() => received(shown), [shown]);
  const {
    volumes,
    times: time,
    speeds,
    looks,
    alcohol,
    weighing,
    missed,
    factors,
    adopted,
    pours,
  } = learning;
  const { say } = useShopClock();
  const odd = volumes.forecasts.filter(({ weight }) => weight < ODD_WEIGHT);
  const isUs = system === "us";
  const perArea = (minPerM2: number) =>
    trimmed(isUs ? (minPerM2 * 10 * MM2_PER_FT2) / MM2_PER_M2 : minPerM2, 1);
  const out = missed.filter(({ early, late }) => early + late > 0);
  return (
    <main className="px-7 py-5 max-w-[1226px]">
      <div className="flex items-baseline gap-6 mb-4 flex-wrap">
        <h1 className="heading text-2xl mr-auto">How good are we?</h1>
        <Link href="/learn/earned" className="underline underline-offset-4">
          What an hour brought
        </Link>
        <Link href="/learn/trials" className="underline underline-offset-4">
          Trials: two ways side by side
        </Link>
      </div>
      <Proposal learning={learning} canDecide={canDecide} system={system} />
      <section aria-label="Forecasts" className="mt-6 border-t border-ink pt-3">
        <div className="flex gap-10 flex-wrap mb-3">
          <Hero
            label="of the coats lay where eight of ten should"
            value={volumes.heldShare === null ? "–" : percent(volumes.heldShare)}
            beside={`${volumes.forecasts.filter(({ held }) => held).length} of ${volumes.forecasts.length} coats, each foretold from the pours before it`}
          />
          <Hero
            label="closer than without learning"
            value={
              volumes.gain === null
                ? "–"
                : `${volumes.gain >= 0 ? "" : "−"}${percent(Math.abs(volumes.gain))}`
            }
            beside="by the score of all forecasts, their spread counted"
          />
          <Hero
            label="pours looked at"
            value={String(pours)}
            beside="the latest; old ones count less and less"
          />
        </div>
        {volumes.forecasts.length > 0 && (
          <>
            <ForecastChart forecasts={volumes.forecasts} system={system} />
            <p className="label">
              From the oldest to the newest. Bar: what was foretold, eight in ten. Point: what was used; a
              diamond lay outside; a hollow one does not go with the others. In the first ten pours of a shop,
              and after a change, bars promise more than they hold.
            </p>
          </>
        )}
        {odd.map((one) => (
          <p key={`${one.pourId} ${one.coatName}`} className="border-l-[3px] border-ink pl-3 mt-2 text-sm">
            “{one.jobName}”, {one.coatName}, {say(one.startedAt, "d MMM")}:{" "}
            {quantityText(one.seen, "volume", system)} used, {quantityText(one.need.mean, "volume", system)}{" "}
            foretold. It does not go with the others and counts little. Was something spilled, or entered
            wrongly?
          </p>
        ))}
      </section>
      <div className="grid grid-cols-2 gap-x-10 max-lg:grid-cols-1">
        <section aria-label="Losses and film" className="mt-6 border-t border-ink pt-3">
          <h2 className="heading text-lg mb-1">Losses and film</h2>
          <table className="w-full text-sm">
            <thead>
              <tr className="label text-left">
                <th className="font-normal py-1">Factor</th>
                <th className="font-normal text-right pl-2">usual</th>
                <th className="font-normal text-right pl-2">by the log, eight in ten</th>
                <th className="font-normal text-right pl-2">doubt left</th>
              </tr>
            </thead>
            <tbody>
              {factors.map(({ id, likely, low, high, doubtLeft }) => {
                const own = adopted[id];
                return (
                  <tr key={id} className="border-t border-line align-baseline">
                    <td className="py-1">
                      {FACTORS[id].name}
                      {own && <span className="label block">{adoptedWords(own, say(own.at, "d MMM"))}</span>}
                    </td>
                    <td className="text-right whitespace-nowrap pl-2">
                      {factorText(id, FACTORS[id].usual.likely)}
                    </td>
                    <td className="text-right whitespace-nowrap pl-2">
                      <span className="figure">{trimmed(likely, 2)}</span>{" "}
                      <span className="text-ink-soft">
                        {trimmed(low, 2)} to {trimmed(high, 2)}
                      </span>
                    </td>
                    <td className="text-right figure pl-2">{percent(doubtLeft)}</td>
                  </tr>
                );
              })}
            </tbody>
          </table>
          <p className="label mt-1">
            What is left over tells the sum of all losses, not one of them. One loss is known by its own
            weighing, the film by a comb.
          </p>
        </section>
        <section aria-label="Times" className="mt-6 border-t border-ink pt-3">
          <h2 className="heading text-lg mb-1">Mixing and laying</h2>
          <p className="text-sm mb-1">
            The usual coats take <span className="figure">{timesText(time.usual)}</span> of the time planned,
            by {time.usual.coats} coats. Below, minutes to {isUs ? "10 ft²" : "one m²"}.
          </p>
          <table className="w-full text-sm">
            <thead>
              <tr className="label text-left">
                <th className="font-normal py-1">Way of working</th>
                <th className="font-normal text-right pl-2">coats</th>
                <th className="font-normal text-right pl-2">took</th>
                <th className="font-normal text-right pl-2">planned</th>
              </tr>
            </thead>
            <tbody>
              {time.techniques.map(({ technique, coats, minPerM2, plannedMinPerM2 }) => (
                <tr key={technique} className="border-t border-line">
                  <td className="py-1">{passWords(technique)}</td>
                  <td className="text-right figure pl-2">{coats}</td>
                  <td className="text-right figure pl-2">{perArea(minPerM2)}</td>
                  <td className="text-right text-ink-soft pl-2">{perArea(plannedMinPerM2)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {time.people.length > 0 && (
            <table className="w-full text-sm mt-3" aria-label="Time by person">
              <tbody>
                {time.people.map((person) => (
                  <tr key={person.name} className="border-t border-line">
                    <td className="py-1">{person.name}</td>
                    <td className="text-right">
                      <span className="figure">{signed(time.usualMin * (person.times - 1))} min</span>{" "}
                      <span className="text-ink-soft">
                        {signed(time.usualMin * (person.low - 1))} to{" "}
                        {signed(time.usualMin * (person.high - 1))}
                      </span>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {weighing && (
            <p className="text-sm mt-2">
              Weighing: a line takes{" "}
              <span className="figure">{trimmed(USUAL_WEIGHING_MIN * weighing.times, 1)} min</span>, most
              likely {trimmed(USUAL_WEIGHING_MIN * weighing.low, 1)} to{" "}
              {trimmed(USUAL_WEIGHING_MIN * weighing.high, 1)} min, by {weighing.coats} coats.
            </p>
          )}
          <p className="label mt-1">
            By person: on a coat of {Math.round(time.usualMin)} min planned, from five pours on, eight in ten.
            Names are seen by the owner and by the person. A time says nothing of how good the work is.
          </p>
        </section>
        <LooksTable looks={looks} alcohol={alcohol} />
        <ResinSpeeds speeds={speeds} />
        <section aria-label="Windows" className="mt-6 border-t border-ink pt-3">
          <h2 className="heading text-lg mb-1">Windows missed most</h2>
          {out.length === 0 ? (
            <p className="text-ink-soft text-sm">No pass was surely too early or too late.</p>
          ) : (
            <table className="w-full text-sm">
              <thead>
                <tr className="label text-left">
                  <th className="font-normal py-1">Pass</th>
                  <th className="font-normal text-right pl-2">done</th>
                  <th className="font-normal text-right pl-2">too early</th>
                  <th className="font-normal text-right pl-2">too late</th>
                </tr>
              </thead>
              <tbody>
                {out.slice(0, 8).map(({ kind, done, early, late }) => (
                  <tr key={kind} className="border-t border-line">
                    <td className="py-1">{passWords(kind)}</td>
                    <td className="text-right figure pl-2">{done}</td>
                    <td className="text-right figure pl-2">{early}</td>
                    <td className="text-right figure pl-2">{late}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
        </section>
      </div>
    </main>
  );
}

function Hero({ label, value, beside }: { label: string; value: string; beside: string }) {
  return (
    <div className="max-w-64">
      <div className="figure text-4xl leading-none">{value}</div>
      <div className="font-semibold text-sm mt-1">{label}</div>
      <div className="label">{beside}</div>
    </div>
  );
}
