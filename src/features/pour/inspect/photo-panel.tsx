"use client";

import { useCallback, useState, type ReactNode } from "react";
import type { Measured } from "@/core/geometry/measure";
import { photoLooks } from "@/core/inspect/photo/judge-photo";
import type { PhotoAt } from "@/core/inspect/inspection";
import type { PhotoLook } from "@/core/pour/inspect-events";
import type { PieceRehearsal } from "@/core/rehearsal/rehearse";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { ringsPath } from "@/ui/line-path";
import { SelectField } from "@/ui/text-field";
import { useShopClock } from "@/ui/shop-clock";
import { useFileChooser } from "@/ui/use-file-chooser";
import { JudgedPhoto } from "./judged-photo";
import { ApprovedDialog } from "./approved-dialog";
import type { PhotoAsked } from "./use-photo";

/** A colour with less on top is not spoken of. */
const SPOKEN_OF = 0.01;
const percent = (share: number) => decimal(100 * share, 0);

/** What the client approved, with a way to have the photo of a board read; null for nothing. */
export type Approved = ((onRead: (board: Board) => void) => ReactNode) | null;
type Board = { pictureId: string; name: string };

/** A photo of the piece, set straight by four places and read with the measures of the rehearsal. */
export function PhotoPanel({
  asked,
  piece,
  system,
  kept,
  approved,
  palette,
  onKeep,
}: {
  asked: PhotoAsked;
  piece: Measured;
  system: UnitSystem;
  /** What photos of this piece said that was kept, the last one last. */
  kept: readonly PhotoAt[];
  approved: Approved;
  palette: PieceRehearsal["palette"];
  onKeep: (looks: PhotoLook[]) => void;
}) {
  const chooser = useFileChooser({
    label: "Photo of the piece, with a grey card in it",
    accept: "image/*",
    onFile: asked.open,
  });
  const { canJudge, file, bitmap, next, judged, busy, problem } = asked;
  const { say } = useShopClock();
  const [board, setBoard] = useState<Board | null>(null);
  /** Shares of the approved board, and for which piece it was read. */
  const [wished, setWished] = useState<{ of: string; shares: number[] } | null>(null);
  const approvedShares = wished?.of === piece.id ? wished.shares : null;
  const onShares = useCallback(
    (shares: number[]) => {
      setWished({ of: piece.id, shares });
      setBoard(null);
    },
    [piece.id],
  );
  const [keptOf, setKeptOf] = useState<typeof judged>(null);
  if (!canJudge)
    return (
      <p className="text-ink-soft">
        A photo is read against the rehearsed picture: of a flat piece with a coat whose colours make one.
      </p>
    );
  return (
    <section aria-label="Photograph">
      {chooser.input}
      <p className="mb-3">
        A photo from straight above as far as you can, all of the piece in it, a grey card beside it, no
        glare. It stays in this browser.
      </p>
      {!file && (
        <p className="mb-4 text-sm text-ink-soft">
          Then touch the four places ringed on the drawing, and the grey card: it is set straight, balanced
          and read against what was rehearsed.
        </p>
      )}
      <div className="flex gap-3 mb-4">
        <Button weight={file ? "plain" : "primary"} className="min-h-11" onClick={chooser.choose}>
          {file ? "Another photo" : "Choose or take a photo"}
        </Button>
        {file && (
          <Button className="min-h-11" onClick={asked.back} disabled={asked.points.length === 0}>
            Take the last place back
          </Button>
        )}
      </div>
      {file && !judged && asked.plain.length > 0 && (
        <SelectField
          label="Balanced by"
          value={asked.by ?? "card"}
          frame="w-80 max-w-full mb-4"
          onChange={({ target: { value } }) => asked.setBy(value === "card" ? null : Number(value))}
        >
          <option value="card">a grey card</option>
          {asked.plain.map(({ at, name }) => (
            <option key={at} value={at}>
              {name}, as it was mixed, where it covers
            </option>
          ))}
        </SelectField>
      )}
      {file && next && (
        <div className="flex gap-5 items-center">
          <p role="status" className="text-lg flex-1">
            Touch the <span className="text-signal font-semibold">{next}</span> in the photo.
          </p>
          <Landmarks asked={asked} piece={piece} />
        </div>
      )}
      {file && bitmap && !next && !judged && (
        <div className="flex gap-3">
          <Button weight="primary" className="min-h-11" disabled={busy} onClick={asked.read}>
            {busy ? "Reading …" : "Read it"}
          </Button>
          {busy && (
            <Button className="min-h-11" onClick={asked.cancel}>
              Stop
            </Button>
          )}
        </div>
      )}
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 mt-3">
          {problem}
        </p>
      )}
      {judged && (
        <>
          <JudgedPhoto judged={judged} system={system} approved={approvedShares} />
          <Button
            weight="primary"
            className="min-h-11 mt-3"
            disabled={keptOf === judged}
            onClick={() => {
              onKeep(photoLooks(judged));
              setKeptOf(judged);
            }}
          >
            {keptOf === judged ? "Kept in the log" : "Keep what it says"}
          </Button>
          <p className="label mt-1">Its numbers go into the log and into Learn; the photo stays here.</p>
        </>
      )}
      {kept.length > 0 && <p className="label mt-4">Read so far; what was rehearsed in brackets</p>}
      {kept.length > 0 && (
        <ul className="mt-1 text-sm" aria-label="Photos that were read">
          {kept.map(({ id, at, by, looks }) => (
            <li key={id} className="border-t border-line py-1 flex justify-between gap-3">
              <span>
                {looks
                  .filter(({ seen, rehearsed }) => Math.max(seen, rehearsed) >= SPOKEN_OF)
                  .map(({ name, seen, rehearsed }) => `${name} ${percent(seen)} % (${percent(rehearsed)})`)
                  .join(", ")}
              </span>
              <span className="label whitespace-nowrap">
                {say(at, "d MMM HH:mm")}
                {by && `, ${by}`}
              </span>
            </li>
          ))}
        </ul>
      )}
      {approvedShares && !judged && (
        <p role="status" className="mt-4">
          The approved board is read: it stands beside the next photo of the piece.
        </p>
      )}
      {approved?.(setBoard)}
      {board && (
        <ApprovedDialog {...board} palette={palette} onClose={() => setBoard(null)} onShares={onShares} />
      )}
    </section>
  );
}

/** The longer side of the small drawing, px. */
const SMALL_PX = 130;

/** The piece with its four places: the one that is asked for, and those that were touched. */
function Landmarks({ asked: { landmarks, points }, piece }: { asked: PhotoAsked; piece: Measured }) {
  const { corners, widthMm, heightMm } = piece.outline;
  const scale = SMALL_PX / Math.max(widthMm, heightMm);
  const at = ({ x, y }: { x: number; y: number }) => ({ x: x * scale, y: y * scale });
  return (
    <svg
      width={widthMm * scale + 24}
      height={heightMm * scale + 24}
      viewBox={`-12 -12 ${widthMm * scale + 24} ${heightMm * scale + 24}`}
      className="shrink-0"
      aria-hidden
    >
      <path
        d={ringsPath([corners], { scale, at })}
        fill="var(--color-paper)"
        stroke="var(--color-ink)"
        strokeWidth="1.2"
      />
      {landmarks.map((landmark, n) => {
        const { x, y } = at(landmark);
        return (
          <circle
            key={landmark.name}
            cx={x}
            cy={y}
            r={n === points.length ? 7 : 4}
            fill={
              n < points.length
                ? "var(--color-ink)"
                : n === points.length
                  ? "var(--color-signal)"
                  : "var(--color-paper)"
            }
            stroke={n === points.length ? "var(--color-signal)" : "var(--color-ink)"}
          />
        );
      })}
    </svg>
  );
}
