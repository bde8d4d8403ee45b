import { boxOf, type Box } from "../../geometry/ring";
import { byIdentity } from "../../numerics/by-identity";
import { meets, type Op } from "../engine/op";
import { anyOf, zoneFields, type ZoneField } from "../engine/zone-field";
import { inZone } from "../ops/in-zone";
import { around } from "../placing/random";
import type { Rehearsal, RehearsedCoat, RehearsedZone } from "./rehearsal";

const EDGE_MM = 20;

/** Fields of the zones of a rehearsal, worked out once for each. */
export const fieldsOf = byIdentity((of: Rehearsal): ZoneField[] =>
  of.zoneRings ? zoneFields(of.zoneRings, around(of.box, EDGE_MM)) : [],
);

/** Where a zone lies, with the faces beside it. */
export function boxOfZone({ zoneRings = [], box, topMm }: Rehearsal, at: number): Box {
  const points = (zoneRings[at] ?? []).flat();
  if (points.length === 0) return box;
  const zone = boxOf(points);
  const near = 1;
  return {
    minX: zone.minX < near ? box.minX : zone.minX,
    minY: zone.minY < near ? box.minY : zone.minY,
    maxX: zone.maxX > topMm.wide - near ? box.maxX : zone.maxX,
    maxY: zone.maxY > topMm.high - near ? box.maxY : zone.maxY,
  };
}

/** What one side of the barriers is: a zone behind one, or all zones with none between them. */
type Side = { inside: ZoneField; boxes: readonly Box[] };

function sidesOf(of: Rehearsal, zones: readonly RehearsedZone[]): Side[] {
  const fields = fieldsOf(of);
  const side = (members: readonly RehearsedZone[]): Side[] => {
    const inside = members.flatMap(({ at }) => fields[at] ?? []);
    const [first, ...others] = inside;
    if (!first) return [];
    const within = others.length === 0 ? first : anyOf(inside);
    return [{ inside: within, boxes: members.map(({ at }) => boxOfZone(of, at)) }];
  };
  return [
    ...zones.filter(({ held }) => held).flatMap((zone) => side([zone])),
    ...side(zones.filter(({ held }) => !held)),
  ];
}

/** What a hand does to a coat's film, where barriers stand in it: each side keeps what is its own, and what is not poured stays as it is. */
export function behindBarriers(
  of: Rehearsal,
  { zones }: Pick<RehearsedCoat, "zones">,
  ops: readonly Op[],
): Op[] {
  if (!zones?.some(({ held }) => held)) return [...ops];
  const sides = sidesOf(of, zones);
  return ops.flatMap((op) => {
    const crossed = sides.filter(({ boxes }) => boxes.some((box) => meets(box, op.box)));
    return crossed.map(({ inside }, n) => {
      const held = inZone(op, inside);
      if (n === 0) return held;
      // The tool is pressed in once, however many sides it goes over.
      const { press: _press, ...rest } = held;
      return rest;
    });
  });
}
