"use client";

import { lookKey, type Inspection, type Pin } from "@/core/inspect/inspection";
import { FAULTS } from "@/core/inspect/fault-table";
import type { WalkItem } from "@/core/inspect/walk";
import type { When } from "@/core/pour/inspect-events";
import { ShopPicture } from "@/ui/shop-picture";
import { useShopClock } from "@/ui/shop-clock";
import { PhotoButton } from "../photo-button";

export const faultName = (id: string): string => FAULTS.find((fault) => fault.id === id)?.name ?? "A fault";

const answer =
  "min-h-11 px-3 border border-line-strong hover:bg-paper aria-pressed:bg-ink aria-pressed:text-paper aria-pressed:border-ink whitespace-nowrap";

/** The walk round, point by point; what is not right is then touched on the drawing. */
export function WalkPanel({
  items,
  when,
  inspection,
  asking,
  onRight,
  onWrong,
}: {
  items: readonly WalkItem[];
  when: When;
  inspection: Inspection;
  /** The point for which a place is asked. */
  asking: string | null;
  onRight: (item: WalkItem, right: boolean) => void;
  onWrong: (item: WalkItem) => void;
}) {
  const { say } = useShopClock();
  const seen = items.filter(({ id }) => inspection.looked.has(lookKey(when, id))).length;
  return (
    <section aria-label="Walk round">
      <p className="flex items-baseline gap-2 mb-2">
        <span className="figure text-3xl">{seen}</span>
        <span className="text-ink-soft">of {items.length} looked at</span>
      </p>
      <ol className="border-t border-ink">
        {items.map((item) => {
          const looked = inspection.looked.get(lookKey(when, item.id));
          return (
            <li key={item.id} className="border-b border-line py-2 flex gap-3 items-start">
              <div className="flex-1 min-w-0">
                <h3 className="font-semibold leading-tight">{item.title}</h3>
                <p className="text-sm text-ink-soft leading-snug">{item.look}</p>
                {looked && (
                  <p className="label">
                    {say(looked.at, "d MMM HH:mm")}
                    {looked.by && `, ${looked.by}`}
                  </p>
                )}
                {asking === item.id && (
                  <p role="status" className="text-signal font-semibold text-sm">
                    Touch the place on the drawing.
                  </p>
                )}
              </div>
              <div className="flex shrink-0" role="group" aria-label={item.title}>
                <button
                  type="button"
                  aria-pressed={looked?.ok === true}
                  className={answer}
                  onClick={() => onRight(item, looked?.ok !== true)}
                >
                  Right
                </button>
                <button
                  type="button"
                  aria-pressed={looked?.ok === false}
                  className={`${answer} border-l-0`}
                  onClick={() => onWrong(item)}
                >
                  Not right
                </button>
              </div>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** What is pinned, with its photos, and what became of it. */
export function PinList({
  pins,
  numberOf,
  placeOf,
  sizeOf,
  chosen,
  onChoose,
  onWhy,
  onEnd,
  onPhoto,
}: {
  pins: readonly Pin[];
  numberOf: (pin: Pin) => number;
  placeOf: (pin: Pin) => string;
  sizeOf: (pin: Pin) => string | null;
  chosen: string | null;
  onChoose: (pin: Pin) => void;
  onWhy: (pin: Pin) => void;
  onEnd: (pin: Pin, how: "mended" | "mistaken") => void;
  onPhoto: (pin: Pin, photo: File) => void;
}) {
  const { say } = useShopClock();
  if (pins.length === 0)
    return (
      <p className="text-ink-soft">
        Nothing is pinned. Touch the drawing where something is not right, or say so on the walk round.
      </p>
    );
  return (
    <section aria-label="Pins">
      <ul className="border-t border-ink">
        {pins.map((pin) => (
          <li
            key={pin.id}
            className={`border-b border-line py-2 flex gap-3 ${chosen === pin.id ? "bg-paper" : ""}`}
          >
            <button
              type="button"
              aria-label={`Pin ${numberOf(pin)} on the drawing`}
              onClick={() => onChoose(pin)}
              className={`figure text-lg size-11 shrink-0 ${chosen === pin.id ? "bg-signal" : pin.end ? "bg-line-strong" : "bg-ink"} text-paper`}
            >
              {numberOf(pin)}
            </button>
            <div className="flex-1 min-w-0">
              <p className="leading-tight">
                <span className="font-semibold">{faultName(pin.fault)}</span>
                {sizeOf(pin) && <span className="figure"> {sizeOf(pin)}</span>}
                {pin.end && (
                  <span className="text-ink-soft">
                    {pin.end.how === "mended" ? ", mended" : ", was none"}
                  </span>
                )}
              </p>
              <p className="label">
                {placeOf(pin)} · {pin.when} · {say(pin.at, "d MMM HH:mm")}
                {pin.by && `, ${pin.by}`}
              </p>
              {pin.text && <p className="text-sm">{pin.text}</p>}
              {pin.pictureIds.length > 0 && (
                <div className="flex gap-2 mt-1">
                  {pin.pictureIds.map((pictureId) => (
                    <a key={pictureId} href={`/pictures/${pictureId}`} className="block w-20 h-14">
                      <ShopPicture
                        pictureId={pictureId}
                        alt={`Photo of ${faultName(pin.fault).toLowerCase()}`}
                        small
                      />
                    </a>
                  ))}
                </div>
              )}
              <div className="flex gap-x-4 gap-y-1 mt-1 flex-wrap text-sm">
                <button type="button" className={act} onClick={() => onWhy(pin)}>
                  Why?
                </button>
                {!pin.end && (
                  <>
                    <button type="button" className={act} onClick={() => onEnd(pin, "mended")}>
                      Mended
                    </button>
                    <button type="button" className={act} onClick={() => onEnd(pin, "mistaken")}>
                      Was none
                    </button>
                    <PhotoButton
                      of={`Photo of pin ${numberOf(pin)}`}
                      className={act}
                      onPhoto={(photo) => onPhoto(pin, photo)}
                    />
                  </>
                )}
              </div>
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

const act = "underline underline-offset-4 decoration-line-strong hover:decoration-ink min-h-8";
