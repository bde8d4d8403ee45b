import type { Op } from "../engine/op";
import { boundTile, TILE } from "../engine/tile";
import type { ZoneField } from "../engine/zone-field";

/** A barrier holds the film beside it back over this much, mm: nothing is drawn across it (assumed). */
const HELD_MM = 8;

/**
 * An operation that is done in one zone alone: what lies in others stays as it is, and what it moves stays on its side of the border, the less
 * the nearer it lies to it.
 */
export function inZone(op: Op, inside: ZoneField): Op {
  const most = TILE * TILE;
  const others = new Uint16Array(most);
  const wasX = new Float64Array(most);
  const wasY = new Float64Array(most);
  return {
    ...op,
    packed: () => {
      const packed = op.packed();
      return packed && !packed.zone ? { ...packed, zone: inside.grids } : null;
    },
    back: (tile) => {
      let own = 0;
      let away = 0;
      for (let n = 0; n < tile.live; n += 1) {
        const i = tile.index[n] as number;
        const x = tile.x[i] as number;
        const y = tile.y[i] as number;
        if (inside(x, y) >= 0) {
          wasX[i] = x;
          wasY[i] = y;
          tile.index[own] = i;
          own += 1;
        } else {
          others[away] = i;
          away += 1;
        }
      }
      tile.live = own;
      if (own > 0) {
        if (away > 0) boundTile(tile);
        op.back(tile);
        for (let n = 0; n < own; n += 1) {
          const i = tile.index[n] as number;
          const [fromX, fromY] = [wasX[i] as number, wasY[i] as number];
          const [dx, dy] = [(tile.x[i] as number) - fromX, (tile.y[i] as number) - fromY];
          if (dx === 0 && dy === 0) continue;
          const free = Math.min(1, inside(fromX, fromY) / HELD_MM);
          const [x, y] = [fromX + free * dx, fromY + free * dy];
          const stays = inside(x, y) >= 0;
          tile.x[i] = stays ? x : fromX;
          tile.y[i] = stays ? y : fromY;
        }
      }
      for (let n = 0; n < away; n += 1) tile.index[tile.live + n] = others[n] as number;
      tile.live += away;
      boundTile(tile);
    },
    forward: (px, py) => {
      if (inside(px, py) < 0) return [px, py];
      const [x, y] = op.forward(px, py);
      const free = Math.min(1, inside(px, py) / HELD_MM);
      const to: [number, number] = [px + free * (x - px), py + free * (y - py)];
      return inside(...to) >= 0 ? to : [px, py];
    },
  };
}
