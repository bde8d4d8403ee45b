import { sharesOn } from "../batch/placed-colours";
import type { Measured } from "../geometry/measure";
import { BARRIER_WORDS } from "../geometry/zones/zone-table";
import { coversZone, liesOnTop, type Coat } from "../schedule/coat";

/**
 * How two zones meet in a coat: wet beside each other with colours of their own, held apart by what stands between them, or one poured up to
 * the other, which another coat has coated before or will later.
 */
export type ZoneMeeting = { piece: string; zones: [string, string] } & (
  { how: "melt" } | { how: "held"; by: string } | { how: "before" | "later"; coat: string } | { how: "bare" }
);

/** How the zones of a coat meet their neighbours, piece by piece; borders within one colour are left out. */
export function zoneMeetings(coat: Coat, coats: readonly Coat[], pieces: readonly Measured[]): ZoneMeeting[] {
  const place = coats.findIndex(({ id }) => id === coat.id);
  return pieces.flatMap(({ id: pieceId, name: piece, zones, borders }) => {
    const names = new Map(zones.map(({ id, name }) => [id, name]));
    const told = new Set<string>();
    return borders.flatMap(({ zoneIds, divider }): ZoneMeeting[] => {
      const [one, other] = zoneIds;
      const on = zoneIds.map((id) => coversZone(coat, pieceId, id));
      if (!on.some(Boolean) || told.has(zoneIds.join(" "))) return [];
      told.add(zoneIds.join(" "));
      const named = (a: string, b: string): [string, string] => [names.get(a) ?? "", names.get(b) ?? ""];
      const { barrier } = divider;
      if (on.every(Boolean)) {
        if (barrier)
          return [{ piece, zones: named(one, other), how: "held", by: BARRIER_WORDS[barrier.kind] }];
        const [here, there] = zoneIds.map((zoneId) => sharesOn(coat.colours, { pieceId, zoneId }));
        const alike = here?.every((share, n) => share === there?.[n]) ?? true;
        return alike ? [] : [{ piece, zones: named(one, other), how: "melt" }];
      }
      const [poured, beside] = on[0] ? [one, other] : [other, one];
      const alone = (earlier: Coat) =>
        liesOnTop(earlier) &&
        earlier.kind !== "vein" &&
        coversZone(earlier, pieceId, beside) &&
        !coversZone(earlier, pieceId, poured);
      const before = coats.slice(0, place).findLast(alone);
      const later = coats.slice(place + 1).find(alone);
      const zonesNamed = named(poured, beside);
      if (before) return [{ piece, zones: zonesNamed, how: "before", coat: before.name }];
      return [
        later
          ? { piece, zones: zonesNamed, how: "later", coat: later.name }
          : { piece, zones: zonesNamed, how: "bare" },
      ];
    });
  });
}
