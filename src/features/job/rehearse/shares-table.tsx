import type { Spread } from "@/core/numerics/spread";
import type { SisterSpread } from "@/core/rehearsal/sister-spread";
import type { PaletteColour } from "@/core/rehearsal/rehearse";
import type { PictureMeasures } from "@/core/rehearsal/judge-picture";

/** A side that has so much more of a colour is named. */
const UNEVEN = 0.25;
/** A colour with less on top than this is not spoken of. */
const TRACE = 0.02;

/** Of the widest bar. */
const WIDE_PX = 112;

const percent = (share: number) => `${Math.round(share * 100)} %`;

const range = (spread: Spread | undefined) =>
  spread && `${Math.round(spread.low * 100)}–${Math.round(spread.high * 100)}`;

/** Share of each colour on top against what was poured of it, and where it lies. */
export function SharesTable({
  palette,
  measures: { onTop, leftRight },
  spread,
}: {
  palette: readonly PaletteColour[];
  measures: PictureMeasures;
  /** How far shares on top lie among sisters, once they are measured. */
  spread: SisterSpread | null;
}) {
  const rows = palette
    .map((colour, at) => ({ ...colour, at, top: onTop[at] ?? 0, side: leftRight[at] ?? 0 }))
    .filter(({ top, poured }) => top > 0.005 || poured > 0);
  const most = Math.max(
    0.01,
    ...rows.flatMap(({ at, top, poured }) => [top, poured, spread?.onTop[at]?.high ?? 0]),
  );
  return (
    <table className="w-full text-sm">
      <thead>
        <tr className="label text-left">
          <th className="font-normal py-1">Colour</th>
          <th className="font-normal text-right">on top</th>
          <th className="font-normal text-right">sisters</th>
          <th className="font-normal text-right">poured</th>
          <th className="font-normal pl-4 w-32">
            <span className="sr-only">Drawn</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ at, name, hex, top, poured, side }) => (
          <tr key={at} className="border-t border-line">
            <td className="py-1">
              <span
                aria-hidden
                className="inline-block w-7 h-4 align-[-3px] mr-2 border border-line-strong"
                style={{ backgroundColor: hex }}
              />
              {name}
              {top > TRACE && Math.abs(side) > UNEVEN && (
                <span className="label"> · more on the {side > 0 ? "left" : "right"}</span>
              )}
            </td>
            <td className="figure text-right">{percent(top)}</td>
            <td className="label text-right whitespace-nowrap">{spread && range(spread.onTop[at])}</td>
            <td className="figure text-right text-ink-soft">{poured > 0 ? percent(poured) : ""}</td>
            <td className="pl-4">
              <svg width="116" height="16" aria-hidden>
                <rect
                  x="0"
                  y="2"
                  width={(poured / most) * WIDE_PX}
                  height="12"
                  fill="none"
                  stroke="var(--color-ink)"
                  strokeDasharray="3 2"
                />
                <rect x="0" y="5" width={(top / most) * WIDE_PX} height="6" fill="var(--color-ink)" />
                {spread?.onTop[at] && (
                  <path
                    d={`M${(spread.onTop[at].low / most) * WIDE_PX} 8 H${(spread.onTop[at].high / most) * WIDE_PX}`}
                    stroke="var(--color-ink)"
                    strokeWidth="1"
                  />
                )}
              </svg>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
