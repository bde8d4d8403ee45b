import Link from "next/link";
import { durationWords } from "@/core/units/duration";
import { timesText } from "./learn-text";
import type { ShopLearning } from "./learn-shop";

const minutes = (min: number) => durationWords(Math.round(min));

/** How fast resins were over their data sheets; what is surely another speed is proposed to the card as a test of the shop's own. */
export function ResinSpeeds({ speeds }: Pick<ShopLearning, "speeds">) {
  return (
    <section aria-label="Resins" className="mt-6 border-t border-ink pt-3">
      <h2 className="heading text-lg mb-1">Resins against their data sheets</h2>
      {speeds.length === 0 ? (
        <p className="text-ink-soft text-sm">
          Nothing was seen yet: pull a dam by its window, or say in Inspect when a film was gummy.
        </p>
      ) : (
        <ul className="text-sm">
          {speeds.map((speed) => (
            <li key={speed.resin} className="border-t border-line py-1">
              <div className="flex gap-3 justify-between">
                {speed.onShelf ? (
                  <Link href={`/cards/${speed.resin}`} className="underline underline-offset-4">
                    {speed.name}
                  </Link>
                ) : (
                  speed.name
                )}
                <span>
                  <span className="figure">{timesText(speed)}</span>{" "}
                  <span className="text-ink-soft">as fast</span>{" "}
                  <span className="label ml-3">{speed.readings} seen</span>
                </span>
              </div>
              {speed.proposed && (
                <p className="border-l-[3px] border-ink pl-3 my-2 text-base">
                  By its card a film draws no more string after {minutes(speed.proposed.beforeMin)}, by your{" "}
                  {speed.readings} readings after {minutes(speed.proposed.afterMin)}. All its windows go by
                  it.{" "}
                  <Link
                    href={`/cards/${speed.resin}?string=${Math.round(speed.proposed.afterMin)}`}
                    className="underline underline-offset-4 whitespace-nowrap"
                  >
                    Take it to the card
                  </Link>
                </p>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
