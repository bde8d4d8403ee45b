"use client";

import type { Measured } from "@/core/geometry/measure";
import { Choice } from "@/ui/choice";
import { SelectField } from "@/ui/text-field";

/** As many stand side by side as are seen at once; of more one is taken from a list. */
const SIDE_BY_SIDE = 5;

/** Which piece is looked at. */
export function PieceChoice({
  pieces,
  piece,
  choose,
  className,
}: {
  pieces: readonly Measured[];
  piece: Measured;
  choose: (id: string) => void;
  className?: string;
}) {
  if (pieces.length <= SIDE_BY_SIDE)
    return (
      <Choice
        label="Piece"
        value={piece.id}
        options={pieces.map(({ id, name }) => ({ value: id, words: name }))}
        onChange={choose}
        className={className}
      />
    );
  return (
    <SelectField
      label="Piece"
      hideLabel
      value={piece.id}
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
