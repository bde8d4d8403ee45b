"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import type { Purchase } from "@/core/batch/buy";
import type { Shopping } from "@/core/shop/shopping";
import { MM2_PER_FT2, MM2_PER_M2 } from "@/core/units/constants";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal, quantityText, rangeText, trimmed } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Checkbox } from "@/ui/checkbox";

const FT2_PER_M2 = MM2_PER_M2 / MM2_PER_FT2;

/** Cents only where they matter. */
const money = (value: number) => decimal(value, value < 100 ? 2 : 0);

const gramText = (grams: number) => trimmed(grams, grams < 10 ? 1 : 0);

/** What of a need stands on the shelf; nothing where none does. */
const shelfWords = (onShelf: number, needed: number, words: (amount: number) => string): string => {
  if (!(onShelf > 0)) return "";
  return onShelf >= needed ? "all on the shelf" : `on the shelf ${words(onShelf)}`;
};

/** What one job or several need together: kits, colours, sprays, vessels, and what it costs. */
export function BuyView({
  jobId,
  shopping,
  jobs,
  system,
}: {
  jobId: string;
  shopping: Shopping;
  jobs: { jobId: string; name: string; chosen: boolean }[];
  system: UnitSystem;
}) {
  const router = useRouter();
  const volume = (ml: number) => quantityText(ml, "volume", system);
  const choose = (changed: string, on: boolean) => {
    const chosen = jobs.filter((job) => job.jobId !== jobId && (job.jobId === changed ? on : job.chosen));
    const query = chosen.map((job) => `with=${job.jobId}`).join("&");
    router.replace(`/jobs/${jobId}/buy${query ? `?${query}` : ""}`);
  };
  const perArea =
    shopping.perM2 === null
      ? null
      : system === "us"
        ? `${money(shopping.perM2 / FT2_PER_M2)} a ft² · ${money(shopping.perM2)} a m²`
        : `${money(shopping.perM2)} a m² · ${money(shopping.perM2 / FT2_PER_M2)} a ft²`;

  return (
    <main className="flex-1 flex min-h-0 max-lg:flex-col">
      <section
        aria-label="Cost"
        className="w-[318px] max-lg:w-full shrink-0 pl-7 pr-6 pt-4 pb-6 border-r border-line print:hidden"
      >
        <div className="label mb-1">What to buy, the cheapest way</div>
        <div className="figure text-4xl leading-none">{decimal(shopping.cost, 2)}</div>
        <div className="label mt-1">{perArea}</div>
        {shopping.perPiece !== null && (
          <div className="label">{money(shopping.perPiece)} a piece, of what is used</div>
        )}
        {shopping.unpriced.length > 0 && (
          <p className="border-l-[3px] border-ink pl-3 mt-3 text-sm">
            Without the price of {shopping.unpriced.join(", ")}: type it on the card.
          </p>
        )}
        <p className="label mt-3">
          Resin only, in the shop&apos;s money. Enough for the high end of the need.
        </p>
        <h3 className="heading border-b border-line pb-1 mt-6 mb-2">For these jobs</h3>
        {jobs.map((job) => (
          <div key={job.jobId} className="min-h-9 flex items-center">
            {job.jobId === jobId ? (
              <span className="font-semibold pl-[30px]">{job.name}</span>
            ) : (
              <Checkbox label={job.name} checked={job.chosen} onChange={(on) => choose(job.jobId, on)} />
            )}
          </div>
        ))}
        <div className="flex gap-5 mt-5 text-sm">
          <Link href={`/jobs/${jobId}/cups`} className="underline underline-offset-4 decoration-line-strong">
            back to the cups
          </Link>
          <Button weight="quiet" onClick={() => window.print()}>
            print
          </Button>
        </div>
      </section>
      <section
        aria-label="What to buy"
        tabIndex={0}
        className="flex-1 min-w-0 px-7 pt-4 pb-8 overflow-y-auto"
      >
        <h2 className="heading text-xl mb-2">Resin</h2>
        {shopping.resins.length === 0 && (
          <p className="text-ink-soft">No coat is counted yet: measure a piece and build its coats.</p>
        )}
        {shopping.resins.map(({ card, ml, onShelfMl, cheapest, leastLeft, cost }) => (
          <div key={card.id} className="border-t border-line py-3 grid grid-cols-[1fr_auto] gap-x-6">
            <div>
              <span className="font-semibold">{card.name}</span>
              <span className="label ml-3">
                needs {volume(ml.likely)}, {rangeText(ml, "volume", system)}
                {onShelfMl > 0 && ` · on the shelf ${volume(onShelfMl)}`}
              </span>
              {onShelfMl >= ml.high ? (
                <p className="font-semibold">Nothing to buy: the shelf has enough.</p>
              ) : cheapest ? (
                <>
                  <Offer words="cheapest" purchase={cheapest} volume={volume} />
                  {leastLeft && leastLeft.cost !== cheapest.cost && (
                    <Offer words="least left over" purchase={leastLeft} volume={volume} />
                  )}
                </>
              ) : (
                <p className="label">
                  {cost === null ? "No kits and no price on its card." : "No kits on its card: by the litre."}
                </p>
              )}
            </div>
            <span className="figure text-xl">{cost === null ? "?" : decimal(cost, 2)}</span>
          </div>
        ))}
        <Lines
          title="Colours"
          lines={shopping.colours.map(({ name, hex, grams, onShelfG }) => ({
            key: name,
            hex,
            words: name,
            figure: `${gramText(grams.likely)} g`,
            beside: [
              `${gramText(grams.low)} to ${gramText(grams.high)}`,
              shelfWords(onShelfG, grams.high, (g) => `${gramText(g)} g`),
            ]
              .filter(Boolean)
              .join(" · "),
          }))}
        />
        <Lines
          title="Stones, glass, glitter"
          lines={shopping.embeds.map(({ name, grams, onShelfG }) => ({
            key: name,
            words: name,
            figure: quantityText(grams, "mass", system),
            beside: shelfWords(onShelfG, grams, (g) => quantityText(g, "mass", system)),
          }))}
        />
        <Lines
          title="Sprays"
          lines={shopping.sprays.map((spray) => ({
            key: spray.words,
            words: spray.words,
            figure: `${spray.containers} ${spray.container}${spray.containers === 1 ? "" : "s"} of ${volume(spray.containerMl)}`,
            beside: rangeText(spray.ml, "volume", system),
          }))}
        />
        <Lines
          title="Cups, buckets, sticks"
          lines={[
            ...shopping.vessels.map(({ nominalMl, count, onShelf }) => ({
              key: String(nominalMl),
              words: `of ${volume(nominalMl)}`,
              figure: String(count),
              beside: shelfWords(onShelf, count, String),
            })),
            ...(shopping.sticks > 0
              ? [
                  {
                    key: "sticks",
                    words: "stirring sticks",
                    figure: String(shopping.sticks),
                    beside: shelfWords(shopping.sticksOnShelf, shopping.sticks, String),
                  },
                ]
              : []),
          ]}
        />
      </section>
    </main>
  );
}

function Offer({
  words,
  purchase,
  volume,
}: {
  words: string;
  purchase: Purchase;
  volume: (ml: number) => string;
}) {
  return (
    <p className="text-sm">
      <span className="label inline-block w-28">{words}</span>
      {purchase.kits.map(({ kit, count }) => `${count} × ${volume(kit.ml)}`).join(" + ")}
      <span className="label ml-2">
        {decimal(purchase.cost, 2)}, {volume(purchase.leftMl)} left over
      </span>
    </p>
  );
}

type Line = { key: string; words: string; figure: string; beside?: string; hex?: string | null };

function Lines({ title, lines }: { title: string; lines: Line[] }) {
  if (lines.length === 0) return null;
  return (
    <>
      <h2 className="heading text-xl mt-6 mb-2">{title}</h2>
      {lines.map((line) => (
        <div key={line.key} className="border-t border-line py-1.5 flex items-center gap-3">
          {line.hex && <span className="size-[22px] border border-ink" style={{ background: line.hex }} />}
          <span className="flex-1">{line.words}</span>
          {line.beside && <span className="label">{line.beside}</span>}
          <span className="figure text-lg min-w-24 text-right">{line.figure}</span>
        </div>
      ))}
    </>
  );
}
