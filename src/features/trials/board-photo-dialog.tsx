"use client";

import type { BoardShare } from "@/core/inspect/photo/board-share";
import type { At } from "@/core/inspect/photo/perspective";
import { decimal } from "@/core/units/format-quantity";
import { PhotoStage } from "@/pictures/photo-stage";
import { photoReader } from "@/pictures/photo-reader";
import { useAsked } from "@/pictures/use-asked";
import { BOARD_CORNERS, CARD_PLACE, useTouchedPhoto } from "@/pictures/use-touched-photo";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { useFileChooser } from "@/ui/use-file-chooser";

const COUNTED = "colour that is counted";
const OTHERS = [
  "main colour that is not counted",
  "next one that is not counted",
  "last one that is not counted",
];
const PLACES = [...BOARD_CORNERS, CARD_PLACE, COUNTED, ...OTHERS];
/** One colour that is not counted is enough. */
const ENOUGH = BOARD_CORNERS.length + 3;

/** Reads off a photo what share of a board has a colour: its corners, the grey card, and the colours are touched. */
export function BoardPhotoDialog({
  name,
  counts,
  onClose,
  onShare,
}: {
  name: string;
  /** What is counted, in the words of the trial. */
  counts: string;
  onClose: () => void;
  /** @param share 0 to 1 */
  onShare: (share: number) => void;
}) {
  const touched = useTouchedPhoto(PLACES, name);
  const { bitmap, points, patchPx, next, file } = touched;
  const { ask, answer, failed, busy, cancel } = useAsked<BoardShare>(points);
  const chooser = useFileChooser({ label: `Photo of ${name}`, accept: "image/*", onFile: touched.open });
  const read = () => {
    const at = (n: number) => points[n] as At;
    if (!bitmap) return;
    ask(
      photoReader.ask("board", {
        bitmap,
        corners: points.slice(0, BOARD_CORNERS.length),
        card: at(BOARD_CORNERS.length),
        counted: [at(BOARD_CORNERS.length + 1)],
        others: points.slice(BOARD_CORNERS.length + 2),
        radius: patchPx,
      }),
    );
  };
  const problem =
    touched.problem ??
    (failed
      ? "The photo could not be read. Try a smaller one."
      : answer?.ok === false
        ? answer.reason
        : null);
  return (
    <Dialog open onClose={onClose} title={`${name}: ${counts}`} wide>
      {chooser.input}
      <p className="text-ink-soft">
        The board from straight above, all of it in the photo, a grey card beside it, no glare. It stays in
        this browser.
      </p>
      {file && bitmap && (
        <div className="h-[46vh] flex my-3">
          <PhotoStage asked={touched} />
        </div>
      )}
      {file && bitmap && next && !answer && (
        <p role="status" className="text-lg my-2">
          Touch the <span className="text-signal font-semibold">{next}</span>
          {points.length >= ENOUGH ? ", or read it." : "."}
        </p>
      )}
      {answer?.ok && (
        <p role="status" className="my-2">
          <span className="figure text-4xl">{decimal(100 * answer.share, 1)} %</span>{" "}
          <span className="text-ink-soft">of the board, within two points</span>
        </p>
      )}
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 my-2">
          {problem}
        </p>
      )}
      <div className="flex gap-3 flex-wrap mt-3">
        {answer?.ok ? (
          <Button weight="primary" className="min-h-11" onClick={() => onShare(answer.share)}>
            Take it
          </Button>
        ) : (
          points.length >= ENOUGH && (
            <Button weight="primary" className="min-h-11" disabled={busy} onClick={read}>
              {busy ? "Reading …" : "Read it"}
            </Button>
          )
        )}
        {busy && (
          <Button className="min-h-11" onClick={cancel}>
            Stop
          </Button>
        )}
        <Button weight={file ? "plain" : "primary"} className="min-h-11" onClick={chooser.choose}>
          {file ? "Another photo" : "Choose or take a photo"}
        </Button>
        {file && (
          <Button className="min-h-11" disabled={points.length === 0} onClick={touched.back}>
            Take the last place back
          </Button>
        )}
      </div>
    </Dialog>
  );
}
