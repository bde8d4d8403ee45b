"use client";

import { DECISION_WORDS, MEASURED_WORDS, type SampleBoard } from "@/contracts/recipes";
import { ciede2000, closeness } from "@/core/colour/ciede2000";
import { hexOfLab, type Lab } from "@/core/colour/spaces";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal, quantityText } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { ShopPicture } from "@/ui/shop-picture";
import { useClockWords } from "@/ui/shop-clock";

/** The sample boards of a version: picture, what was measured beside what was foretold and wished, the client's word. */
export function SampleBoards({
  boards,
  foretold,
  target,
  system,
  onOpen,
  onJob,
}: {
  boards: readonly SampleBoard[];
  foretold: Lab;
  target: { lab: Lab; name: string } | null;
  system: UnitSystem;
  onOpen: (board: SampleBoard) => void;
  onJob: (board: SampleBoard) => void;
}) {
  const { dateText } = useClockWords();
  return (
    <ul aria-label="Sample boards" className="flex flex-col">
      {boards.map((board) => (
        <li
          key={board.id}
          className="border-t border-line py-3 grid grid-cols-[132px_1fr_auto] max-sm:grid-cols-1 gap-5"
        >
          <div className="w-[132px] h-[132px] border border-ink bg-shade grid place-items-center">
            {board.pictureId ? (
              <ShopPicture pictureId={board.pictureId} alt={`Board ${board.number}`} small />
            ) : (
              <span className="label">no picture</span>
            )}
          </div>
          <div className="min-w-0">
            <div className="flex items-baseline gap-3">
              <span className="heading text-lg">Board {board.number}</span>
              <span className={board.decision === "approved" ? "font-semibold" : "text-ink-soft"}>
                {DECISION_WORDS[board.decision]}
              </span>
            </div>
            <div className="label">
              {dateText(board.pouredOn)}, {quantityText(board.lengthMm, "length", system)} ×{" "}
              {quantityText(board.depthMm, "length", system)}
            </div>
            {board.clientWord && <p className="mt-1">“{board.clientWord}”</p>}
            {board.result && <p className="text-sm text-ink-soft mt-1">{board.result}</p>}
            {board.measured && (
              <Measured
                lab={board.measured.lab}
                by={MEASURED_WORDS[board.measured.by]}
                foretold={foretold}
                target={target}
              />
            )}
          </div>
          <div className="flex flex-col items-end gap-2">
            {board.decision === "approved" && (
              <Button className="whitespace-nowrap" onClick={() => onJob(board)}>
                Make a job from it
              </Button>
            )}
            <Button weight="quiet" onClick={() => onOpen(board)} aria-label={`Board ${board.number}: change`}>
              change
            </Button>
          </div>
        </li>
      ))}
    </ul>
  );
}

/** The board's own colour edge to edge with what was foretold and with the target. */
export function Measured({
  lab,
  by,
  foretold,
  target,
}: {
  lab: Lab;
  by: string;
  foretold: Lab;
  target: { lab: Lab; name: string } | null;
}) {
  const beside = [
    { words: "foretold", lab: foretold },
    ...(target ? [{ words: target.name, lab: target.lab }] : []),
  ];
  return (
    <div className="mt-2">
      <div className="flex border border-ink w-fit" role="img" aria-label="Board, foretold and target">
        {[lab, ...beside.map((board) => board.lab)].map((lab, index) => (
          <div key={index} className="w-16 h-9" style={{ background: hexOfLab(lab) }} />
        ))}
      </div>
      <p className="label mt-0.5">
        board, {by};{" "}
        {beside
          .map(({ words, lab: other }) => {
            const difference = ciede2000(lab, other);
            return `ΔE ${decimal(difference, 1)} from ${words === "foretold" ? "what was foretold" : words}, ${closeness(difference)}`;
          })
          .join("; ")}
      </p>
    </div>
  );
}
