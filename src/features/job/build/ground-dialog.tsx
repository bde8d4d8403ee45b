"use client";

import { GROUNDS, type Ground } from "@/core/batch/grounds";
import { zonesOf } from "@/core/geometry/zones/division";
import { rangeText } from "@/core/units/format-quantity";
import { classNames } from "@/ui/class-names";
import { Dialog } from "@/ui/dialog";
import { SelectField } from "@/ui/text-field";
import { useJob } from "../workspace/use-job";

/** The ground under each piece and each of its zones, with what it drinks. */
export function GroundDialog({ onClose }: { onClose: () => void }) {
  const { document, change } = useJob();
  const set = (placeId: string, ground: Ground, usual: Ground) =>
    change((job) => {
      const { [placeId]: _before, ...rest } = job.groundByPiece ?? {};
      return { ...job, groundByPiece: ground === usual ? rest : { ...rest, [placeId]: ground } };
    });
  const on = (placeId: string) => document.groundByPiece?.[placeId];
  return (
    <Dialog open onClose={onClose} title="What each piece is made of">
      {document.pieces.map(({ id, name, division }) => {
        const ground = on(id) ?? document.ground;
        return (
          <div key={id}>
            <GroundRow
              name={name || "unnamed"}
              ground={ground}
              onGround={(next) => set(id, next, document.ground)}
            />
            {division &&
              zonesOf(division).map((zone) => (
                <GroundRow
                  key={zone.id}
                  name={zone.name || "unnamed"}
                  ground={on(zone.id) ?? ground}
                  onGround={(next) => set(zone.id, next, ground)}
                  within
                />
              ))}
          </div>
        );
      })}
    </Dialog>
  );
}

function GroundRow({
  name,
  ground,
  onGround,
  within = false,
}: {
  name: string;
  ground: Ground;
  onGround: (ground: Ground) => void;
  /** A zone of the piece above. */
  within?: boolean;
}) {
  const { system } = useJob();
  const { mlPerM2, prepare } = GROUNDS[ground];
  return (
    <div className={classNames("flex items-end gap-4 border-b border-line py-2", within && "pl-6")}>
      <SelectField
        label={name}
        value={ground}
        onChange={(event) => onGround(event.target.value as Ground)}
        frame="flex-1"
      >
        {Object.entries(GROUNDS).map(([value, { words }]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </SelectField>
      <span className="label flex-1 pb-1">
        drinks {rangeText(mlPerM2, "spray", system)}. {prepare}
      </span>
    </div>
  );
}
