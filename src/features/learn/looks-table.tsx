import type { OverRehearsed } from "@/core/learning/looks-rehearsed";
import { trimmed } from "@/core/units/format-quantity";
import { passWords, timesText } from "./learn-text";
import type { ShopLearning } from "./learn-shop";

/** "× 1.2 1.1 to 1.3"; from fewer than four photos how many there are. */
function Over({ of }: { of: OverRehearsed | null }) {
  return (
    <td className="text-right pl-2">
      {of && <span className="figure">× {trimmed(of.likely, 2)} </span>}
      <span className="text-ink-soft">
        {of === null
          ? "–"
          : of.between
            ? `${trimmed(of.between.low, 2)} to ${trimmed(of.between.high, 2)}`
            : `${of.photos} read`}
      </span>
    </td>
  );
}

/** Which looks come out as rehearsed, by photos that were read; and how much alcohol goes on. */
export function LooksTable({ looks, alcohol }: Pick<ShopLearning, "looks" | "alcohol">) {
  return (
    <section aria-label="Looks" className="mt-6 border-t border-ink pt-3">
      <h2 className="heading text-lg mb-1">Looks against their rehearsal</h2>
      {looks.length === 0 ? (
        <p className="text-ink-soft text-sm">
          No photo was read yet: take one in Inspect, Photograph, and keep what it says.
        </p>
      ) : (
        <table className="w-full text-sm">
          <thead>
            <tr className="label text-left">
              <th className="font-normal py-1">Way of working</th>
              <th className="font-normal text-right pl-2">photos</th>
              <th className="font-normal text-right pl-2">of another colour</th>
              <th className="font-normal text-right pl-2">lines as wide</th>
              <th className="font-normal text-right pl-2">cells as wide</th>
            </tr>
          </thead>
          <tbody>
            {looks.map(({ technique, photos, offPoints, widths, cells }) => (
              <tr key={technique} className="border-t border-line">
                <td className="py-1">{passWords(technique)}</td>
                <td className="text-right figure pl-2">{photos}</td>
                <td className="text-right figure pl-2">{trimmed(offPoints, 0)} %</td>
                <Over of={widths} />
                <Over of={cells} />
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {looks.length > 0 && (
        <p className="label mt-1">
          Of another colour: so much of the top lies under another one than was rehearsed. A photo is off by
          two points itself, and by about 15 % of a cell.
        </p>
      )}
      {alcohol && (
        <p className="text-sm mt-2">
          Alcohol that went on: <span className="figure">{timesText(alcohol)}</span> of what was planned, by{" "}
          {alcohol.coats} {alcohol.coats === 1 ? "coat" : "coats"}.
        </p>
      )}
    </section>
  );
}
