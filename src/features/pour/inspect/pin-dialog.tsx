"use client";

import { useState } from "react";
import type { When } from "@/core/pour/inspect-events";
import type { Place } from "@/core/pour/place";
import type { UnitSystem } from "@/core/units/dimension";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { QuantityField } from "@/ui/quantity-field";
import { TextField } from "@/ui/text-field";
import { CoatSelect, FaultSelect } from "./fault-select";
import { PhotoButton } from "../photo-button";
import type { Act } from "../pour-store";

type PinAct = Extract<Act, { kind: "pin" }>;

/** What is not right at a place: of what kind, how large, in a few words, with a photo. */
export function PinDialog({
  place,
  placeWords,
  when,
  coats,
  coatId,
  usual,
  system,
  onClose,
  onPin,
}: {
  place: Place;
  placeWords: string;
  when: When;
  /** The coats that were poured, the last one first. */
  coats: readonly { id: string; name: string }[];
  coatId: string;
  /** Faults that are usual at this point of the walk, the likeliest first. */
  usual: readonly string[];
  system: UnitSystem;
  onClose: () => void;
  onPin: (pin: PinAct, photo: File | null) => void;
}) {
  const [fault, setFault] = useState(usual[0] ?? "");
  const [of, setOf] = useState(coatId);
  const [sizeMm, setSizeMm] = useState<number | null>(null);
  const [text, setText] = useState("");
  const [photo, setPhoto] = useState<File | null>(null);
  const [missing, setMissing] = useState(false);
  return (
    <Dialog open onClose={onClose} title="Not right here">
      <form
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          if (fault === "") return setMissing(true);
          onPin({ kind: "pin", when, fault, place, coatId: of, sizeMm, text: text.trim() }, photo);
        }}
      >
        <p className="text-ink-soft -mt-2">{placeWords}</p>
        <FaultSelect
          label="What it is"
          value={fault}
          first={usual}
          firstWords="usual here"
          empty="choose"
          error={missing && fault === "" ? "Choose what it is." : null}
          onChange={setFault}
        />
        <div className="flex gap-4">
          <QuantityField
            label="How large, across"
            value={sizeMm}
            dimension="length"
            system={system}
            bounds={{ min: 0, max: 100_000 }}
            onChange={setSizeMm}
            onClear={() => setSizeMm(null)}
            className="w-40"
          />
          <CoatSelect label="In which coat" value={of} coats={coats} frame="flex-1" onChange={setOf} />
        </div>
        <TextField
          label="In a few words"
          value={text}
          maxLength={2000}
          onChange={(event) => setText(event.target.value)}
        />
        <div className="flex gap-3 items-center flex-wrap">
          <Button type="submit" weight="primary" className="min-h-12 px-6 text-lg">
            Pin it
          </Button>
          <PhotoButton
            of="Photo of this fault"
            className="border border-ink px-5 min-h-12 text-lg hover:bg-paper"
            onPhoto={setPhoto}
          />
          {photo && <span className="label">a photo goes with it</span>}
        </div>
      </form>
    </Dialog>
  );
}
