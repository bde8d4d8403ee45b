"use client";

import { useRef, useState } from "react";
import { z } from "zod";
import { addPicture } from "@/contracts/add-picture";
import { callAct } from "@/contracts/call-act";
import {
  addBoard,
  BOARD_DECISIONS,
  boardFields,
  changeBoard,
  DECISION_WORDS,
  MEASURED_WORDS,
  type BoardFields,
  type MeasuredBy,
  type SampleBoard,
} from "@/contracts/recipes";
import { readColour } from "@/core/colour/read-colour";
import { hexOfLab, labOfHex, type Lab } from "@/core/colour/spaces";
import type { UnitSystem } from "@/core/units/dimension";
import { decimal } from "@/core/units/format-quantity";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { Dialog } from "@/ui/dialog";
import { PickColour } from "@/ui/pick-colour";
import { QuantityField } from "@/ui/quantity-field";
import { ShopPicture } from "@/ui/shop-picture";
import { TextField } from "@/ui/text-field";
import { useFileChooser } from "@/ui/use-file-chooser";
import { useKeptForm } from "@/ui/use-kept-form";
import { Measured } from "./sample-boards";

/** What it was typed on top of stays with it: a draft that was left lying does not pass for newer than it is. */
const typedBoard = boardFields.extend({ changedAt: z.string() });

/** A sample board of a version: made, or told more of. What is typed is kept until it is saved. */
export function BoardDialog({
  versionId,
  board,
  start,
  foretold,
  target,
  system,
  onClose,
  onSaved,
}: {
  versionId: string;
  board: SampleBoard | null;
  start: BoardFields;
  foretold: Lab;
  target: { lab: Lab; name: string } | null;
  system: UnitSystem;
  onClose: () => void;
  onSaved: () => void;
}) {
  const form = useKeptForm<z.infer<typeof typedBoard>>({
    key: `board.${board?.id ?? versionId}`,
    schema: typedBoard,
    start: { ...start, changedAt: board?.changedAt ?? "" },
    send: async ({ changedAt, ...fields }) => {
      const result = board
        ? await callAct(changeBoard, {
            boardId: board.id,
            changedAt: over.current?.changedAt ?? changedAt,
            fields,
          })
        : await callAct(addBoard, { versionId, fields });
      if (!result.ok) {
        if (result.error.code === "conflict") setTheirs(result.error.data as SampleBoard);
        return result.error;
      }
      onSaved();
      return null;
    },
  });
  const { values: draft, set, faultAt } = form;
  const [theirs, setTheirs] = useState<SampleBoard | null>(null);
  /** The board that somebody saved in between, and that mine shall replace. */
  const over = useRef<SampleBoard | null>(null);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [loading, setLoading] = useState(false);
  const problem = refusal ?? form.problemBeside("pouredOn", "lengthMm", "depthMm", "result", "clientWord");
  const busy = loading || form.busy;
  const [picking, setPicking] = useState(false);

  const load = async (file: File) => {
    setLoading(true);
    setRefusal(null);
    const result = await addPicture(file);
    setLoading(false);
    if (result.ok) set({ pictureId: result.value.pictureId });
    else setRefusal(result.error.message);
  };
  const chooser = useFileChooser({
    label: "Picture of the board",
    accept: "image/*",
    onFile: (file) => void load(file),
  });

  if (picking && draft.pictureId)
    return (
      <Dialog open onClose={() => setPicking(false)} title="The board's colour, from its picture" wide>
        <PickColour
          source={`/pictures/${draft.pictureId}`}
          take="take it for the board"
          onTake={({ lab, light }) => {
            set({ measured: { lab, by: light === "daylight" ? "photo-daylight" : "photo-indoors" } });
            setPicking(false);
          }}
        />
      </Dialog>
    );
  return (
    <Dialog open onClose={onClose} title={board ? `Board ${board.number}` : "A new sample board"} wide>
      <div className="grid grid-cols-[230px_1fr] max-sm:grid-cols-1 gap-6">
        <div>
          <div className="w-[230px] h-[230px] border border-ink bg-shade grid place-items-center">
            {draft.pictureId ? (
              <ShopPicture pictureId={draft.pictureId} alt="The board" />
            ) : (
              <span className="label text-center px-6">
                Lay a grey card beside it, in daylight and out of the sun
              </span>
            )}
          </div>
          {chooser.input}
          <div className="flex gap-4 mt-2">
            <Button weight="quiet" disabled={busy} onClick={chooser.choose}>
              {busy ? "one moment…" : draft.pictureId ? "another picture" : "add a picture"}
            </Button>
            {draft.pictureId && (
              <Button weight="quiet" onClick={() => setPicking(true)}>
                pick its colour
              </Button>
            )}
          </div>
        </div>
        <div className="flex flex-col gap-3 min-w-0">
          <div className="grid grid-cols-3 gap-3">
            <TextField
              label="Poured on"
              type="date"
              value={draft.pouredOn}
              error={faultAt("pouredOn")}
              onChange={(event) => set({ pouredOn: event.target.value })}
            />
            <QuantityField
              label="Length"
              value={draft.lengthMm}
              dimension="length"
              system={system}
              bounds={{ min: 10, max: 10_000 }}
              onChange={(lengthMm) => set({ lengthMm })}
              fault={faultAt("lengthMm")}
              bare
            />
            <QuantityField
              label="Depth"
              value={draft.depthMm}
              dimension="length"
              system={system}
              bounds={{ min: 10, max: 10_000 }}
              onChange={(depthMm) => set({ depthMm })}
              fault={faultAt("depthMm")}
              bare
            />
          </div>
          <MeasuredField measured={draft.measured} onMeasured={(measured) => set({ measured })} />
          {draft.measured && (
            <Measured
              lab={draft.measured.lab}
              by={MEASURED_WORDS[draft.measured.by]}
              foretold={foretold}
              target={target}
            />
          )}
          <TextField
            label="What came of it, and what to change"
            value={draft.result}
            maxLength={1000}
            error={faultAt("result")}
            onChange={(event) => set({ result: event.target.value })}
          />
          <TextField
            label="The client's word"
            value={draft.clientWord}
            maxLength={400}
            error={faultAt("clientWord")}
            onChange={(event) => set({ clientWord: event.target.value })}
          />
          <Choice
            label="Decision"
            value={draft.decision}
            options={BOARD_DECISIONS.map((value) => ({ value, words: DECISION_WORDS[value] }))}
            onChange={(decision) => set({ decision })}
            className="self-start"
          />
          {problem && (
            <p role="alert" className="text-danger border-l-2 border-danger pl-2">
              {problem}
            </p>
          )}
          {theirs ? (
            <div>
              <p className="text-sm mb-2">
                There it is {DECISION_WORDS[theirs.decision]}
                {theirs.clientWord && `, “${theirs.clientWord}”`}
                {theirs.result && `: ${theirs.result}`}
              </p>
              <span className="flex gap-3">
                <Button
                  disabled={busy}
                  onClick={() => {
                    over.current = theirs;
                    form.submit();
                  }}
                >
                  Save mine over it
                </Button>
                <Button
                  onClick={() => {
                    form.revert();
                    onSaved();
                  }}
                >
                  Leave theirs
                </Button>
              </span>
            </div>
          ) : (
            <Button
              weight="primary"
              className="self-start mt-1"
              disabled={busy}
              onClick={() => form.submit()}
            >
              {board ? "Save the board" : "Keep the board"}
            </Button>
          )}
        </div>
      </div>
    </Dialog>
  );
}

/** The board's colour as typed: measured with an instrument, or matched by eye with a fan of colours. */
function MeasuredField({
  measured,
  onMeasured,
}: {
  measured: BoardFields["measured"];
  onMeasured: (measured: BoardFields["measured"]) => void;
}) {
  const written = measured ? measured.lab.map((value) => decimal(value, 1)).join(" ") : "";
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const byEye = measured?.by === "eye";
  return (
    <div className="flex items-end gap-3">
      <span
        aria-hidden
        className="size-8 border border-ink shrink-0"
        style={{ background: measured ? hexOfLab(measured.lab) : "transparent" }}
      />
      <TextField
        label="Its colour: L a b, or hex"
        placeholder="61 -3 7"
        frame="flex-1"
        value={typed ?? written}
        error={wrong}
        onBlur={() => wrong === null && setTyped(null)}
        onChange={(event) => {
          const text = event.target.value;
          setTyped(text);
          if (text.trim() === "") {
            setWrong(null);
            return onMeasured(null);
          }
          const read = readColour(text);
          setWrong(read.ok ? null : read.message);
          if (read.ok)
            onMeasured({
              lab: "hex" in read ? labOfHex(read.hex) : read.lab,
              by: byEye ? "eye" : "instrument",
            });
        }}
      />
      <Choice
        label="How it was come by"
        value={measured?.by ?? "instrument"}
        options={[
          { value: "instrument" as MeasuredBy, words: "measured" },
          { value: "eye", words: "by eye" },
        ]}
        onChange={(by) => measured && onMeasured({ ...measured, by })}
      />
    </div>
  );
}
