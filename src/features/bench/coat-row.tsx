import { cutText } from "@/core/units/cut-text";
import { SHORT_WORDS, stateAt } from "@/core/cure/film-states";
import type { CoatWindows, PassWindow } from "@/core/schedule/coat-windows";
import type { LaidJob } from "@/core/schedule/shop-days";
import { FilmBar } from "@/ui/film-bar";

/** A coat's row: where there is room its beam is taller, with the names of its states over it. */
export type Tall = { row: number; beamTop: number; beam: number; names: boolean };
export const LOW: Tall = { row: 27, beamTop: 5, beam: 16, names: false };
export const TALL: Tall = { row: 50, beamTop: 20, beam: 24, names: true };
/** From this width on a state's name stands beside the coat's. */
const WIDE_PX = 200;

/** One coat on the bench: its beam, and a mark for each pass; shorter when it is done, with a block where something is wrong. */
export function CoatRow({
  coat,
  job,
  top,
  left,
  tall,
  x,
  nowMin,
  untilMin,
}: {
  coat: CoatWindows;
  job: LaidJob;
  top: number;
  left: number;
  tall: Tall;
  x: (atMin: number) => number;
  nowMin: number;
  untilMin: number;
}) {
  const state =
    coat.mixedBatches > 0 && left >= WIDE_PX
      ? SHORT_WORDS[stateAt(coat.life, nowMin - coat.mixedAtMin)]
      : null;
  const beamTop = top + tall.beamTop;
  const letters = Math.floor((left - 14) / 7) - (state ? state.length : 0);
  const bad = (pass: PassWindow) => job.plan.troubles.some(({ passId }) => passId === pass.pass.id);
  const late = job.plan.troubles.some(({ coatId, passId }) => coatId === coat.coatId && passId === null);
  return (
    <g>
      <text
        x={0}
        y={top + tall.beamTop + tall.beam / 2 + 5}
        fontSize="14"
        fill="var(--color-ink)"
        fontWeight={late ? 650 : 400}
      >
        {coat.name.length > letters ? `${cutText(coat.name, letters - 1)}…` : coat.name}
        {state && (
          <tspan fill="var(--color-ink-soft)" fontSize="13" fontWeight="400" dx="7">
            {state}
          </tspan>
        )}
      </text>
      <g opacity={coat.mixedBatches > 0 ? 1 : 0.62}>
        <FilmBar
          life={coat.life}
          mixedAtMin={coat.mixedAtMin}
          x={x}
          untilMin={untilMin}
          top={top + tall.beamTop}
          height={tall.beam}
        />
      </g>
      {tall.names && <StateNames coat={coat} x={x} untilMin={untilMin} y={beamTop - 5} />}
      {coat.windows.map((window) =>
        Number.isFinite(window.atMin) && x(window.atMin) > left && window.atMin < untilMin ? (
          <g key={window.pass.id}>
            <line
              x1={x(window.atMin)}
              x2={x(window.atMin)}
              y1={beamTop + (window.done ? tall.beam / 2 : -3)}
              y2={beamTop + tall.beam + 3}
              stroke="var(--color-ink)"
              strokeWidth={window.done ? 1 : 1.5}
            />
            {bad(window) && (
              <rect x={x(window.atMin) - 3} y={beamTop - 6} width="6" height="6" fill="var(--color-ink)" />
            )}
          </g>
        ) : null,
      )}
    </g>
  );
}

const LETTER_PX = 6.8;

/** The state's name over the begin of its stretch, where there is room for it. */
function StateNames({
  coat: { life, mixedAtMin },
  x,
  untilMin,
  y,
}: {
  coat: CoatWindows;
  x: (atMin: number) => number;
  untilMin: number;
  y: number;
}) {
  return life.map(({ state, fromMin }, index) => {
    const from = mixedAtMin + fromMin.likely;
    const to = Math.min(untilMin, mixedAtMin + (life[index + 1]?.fromMin.likely ?? Infinity));
    const fits = from < untilMin && SHORT_WORDS[state].length * LETTER_PX < x(to) - x(from);
    return fits ? (
      <text key={state} x={x(from) + 2} y={y} fontSize="12" fontWeight="600" fill="var(--color-ink)">
        {SHORT_WORDS[state]}
      </text>
    ) : null;
  });
}
