"use client";

import { Choice } from "@/ui/choice";
import { SelectField } from "@/ui/text-field";
import type { Choosable } from "./use-rehearsed-piece";

/** As many stand side by side as are seen at once; of more one is taken from a list. */
const SIDE_BY_SIDE = 5;

/** Which piece is looked at. */
export function PieceChoice({
  pieces,
  chosen,
  choose,
  className,
}: {
  pieces: readonly Choosable[];
  /** Which of them is looked at. */
  chosen: string;
  choose: (id: string) => void;
  className?: string;
}) {
  if (pieces.length <= SIDE_BY_SIDE)
    return (
      <Choice
        label="Piece"
        value={chosen}
        options={pieces.map(({ id, name }) => ({ value: id, words: name }))}
        onChange={choose}
        className={className}
      />
    );
  return (
    <SelectField
      label="Piece"
      hideLabel
      value={chosen}
      onChange={(event) => choose(event.target.value)}
      frame={className}
    >
      {pieces.map(({ id, name }) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </SelectField>
  );
}
