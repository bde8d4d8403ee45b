"use client";

import { sinceMixText } from "@/ui/clock-words";
import type { StateStart } from "@/core/cure/film-states";
import type { Measured } from "@/core/geometry/measure";
import type { PieceRehearsal, ShownPass } from "@/core/rehearsal/rehearse";
import { FilmBar } from "@/ui/film-bar";
import { useSize } from "@/ui/use-size";
import { PiecePicture, seenSize } from "@/pictures/piece-picture";
import { USUAL_LIGHT } from "@/core/pattern/engine/lit";
import { useLit } from "@/pictures/use-lit";
import { usePicture } from "@/pictures/use-picture";

const SMALL = { wide: 96, high: 34 };
const CLOCK = { height: 30, bar: 9, top: 12 };

/** The passes in their order, to be played, stepped and picked; under them the clock of the working time with the state of the film. */
export function PassStrip({
  of,
  piece,
  passes,
  done,
  playing,
  life,
  onPlay,
  onShow,
}: {
  /** Of what the passes are shown small; null while the large picture is still drawn. */
  of: PieceRehearsal | null;
  piece: Measured;
  passes: readonly ShownPass[];
  done: number;
  playing: boolean;
  /** Of the film of the coat whose pass is shown. */
  life: readonly StateStart[];
  onPlay: () => void;
  onShow: (passes: number) => void;
}) {
  const rows = [
    { words: "Base", minute: null as number | null, key: "base", stopHere: null as string | null },
    ...passes.map(({ words, minute, stopHere, coatId, passId }) => ({
      words,
      minute,
      stopHere,
      key: `${coatId} ${passId}`,
    })),
  ];
  return (
    <div className="border-y border-ink">
      <div className="flex items-stretch overflow-x-auto" role="group" aria-label="The passes">
        <button
          type="button"
          className="px-4 py-2 text-left shrink-0 hover:bg-paper w-20 border-r border-line"
          onClick={onPlay}
        >
          <span className="heading">{playing ? "Pause" : "Play"}</span>
        </button>
        {rows.map(({ words, minute, key, stopHere }, at) => (
          <button
            key={key}
            type="button"
            aria-pressed={at === done}
            onClick={() => onShow(at)}
            onKeyDown={(event) => {
              if (event.key === "ArrowRight") onShow(Math.min(passes.length, done + 1));
              if (event.key === "ArrowLeft") onShow(Math.max(0, done - 1));
            }}
            className={`relative px-3 py-2 text-left border-r border-line shrink-0 max-w-44 hover:bg-paper ${at === done ? "bg-paper font-semibold shadow-[inset_0_4px_0_var(--color-signal)]" : at < done ? "" : "text-ink-soft"}`}
          >
            <Small of={of} piece={piece} passes={at} finished={stopHere !== null} />
            <span className="block truncate text-sm">{words}</span>
            <span className="label whitespace-nowrap">
              {minute === null ? "under all" : sinceMixText(minute)}
              {stopHere && <span title={`May stop here: ${stopHere}`}> · may stop</span>}
            </span>
          </button>
        ))}
      </div>
      <Clock passes={passes} done={done} life={life} onShow={onShow} />
    </div>
  );
}

/** The piece after a pass, small; where one may stop it is framed as the finished look that it is. */
function Small({
  of,
  piece,
  passes,
  finished,
}: {
  of: PieceRehearsal | null;
  piece: Measured;
  passes: number;
  finished: boolean;
}) {
  const { widthMm, heightMm } = seenSize(piece);
  const width = Math.max(12, Math.round(Math.min(SMALL.wide, (SMALL.high * widthMm) / heightMm)));
  const [lit] = useLit();
  const picture = usePicture(of, passes, 2 * width, {
    measured: false,
    light: lit ? USUAL_LIGHT : null,
  });
  return (
    <span aria-hidden className="flex items-center mb-1" style={{ height: SMALL.high + 6 }}>
      <span className={finished ? "outline-2 outline-offset-1 outline-ink" : ""}>
        <PiecePicture picture={picture} piece={piece} name="" width={width} />
      </span>
    </span>
  );
}

/** The working time: the film's states, each pass a tick, the shown one the needle. */
function Clock({
  passes,
  done,
  life,
  onShow,
}: {
  passes: readonly ShownPass[];
  done: number;
  life: readonly StateStart[];
  onShow: (passes: number) => void;
}) {
  const { ref, width } = useSize<HTMLDivElement>();
  const now = passes[done - 1];
  const shown = passes.filter(({ filmCoatId }) => filmCoatId === (now ?? passes[0])?.filmCoatId);
  const until = Math.max(60, ...shown.map(({ minute }) => minute * 1.15));
  const x = (minute: number) => (width * Math.min(until, Math.max(0, minute))) / until;
  return (
    <div ref={ref} className="border-t border-line" style={{ height: CLOCK.height }}>
      {width > 0 && (
        <svg
          width={width}
          height={CLOCK.height}
          role="img"
          aria-label={now ? `Minute ${Math.round(now.minute)} of the film` : "Before the first pass"}
        >
          <FilmBar life={life} mixedAtMin={0} x={x} untilMin={until} top={CLOCK.top} height={CLOCK.bar} />
          {shown.map(({ minute, passId, coatId }) => (
            <line
              key={passId}
              x1={x(minute)}
              x2={x(minute)}
              y1={CLOCK.top - 4}
              y2={CLOCK.top + CLOCK.bar + 4}
              stroke="var(--color-ink)"
              className="cursor-pointer"
              onClick={() =>
                onShow(1 + passes.findIndex((pass) => pass.passId === passId && pass.coatId === coatId))
              }
            />
          ))}
          {now && (
            <g
              style={{ transform: `translateX(${x(now.minute)}px)`, transition: "transform 500ms linear" }}
              className="motion-reduce:[transition:none]!"
            >
              <line y1="0" y2={CLOCK.height} stroke="var(--color-signal)" strokeWidth="3" />
            </g>
          )}
        </svg>
      )}
    </div>
  );
}
