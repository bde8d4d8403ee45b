import type { Pair } from "../curves";
import type { Divider, Division, Drawn, ZoneShape } from "./division";
import type { Move } from "../move";
import { storedMm } from "../stored";

const pairTo =
  ({ to }: Move) =>
  ([x, y]: Pair): Pair => {
    const [movedX, movedY] = to(x, y);
    return [storedMm(movedX), storedMm(movedY)];
  };

/** An angle of a thing that looks the same upside down, −90 to 90 degrees. */
const halfTurn = (deg: number): number => ((((deg + 90) % 180) + 180) % 180) - 90;

function movedShape(shape: ZoneShape, move: Move): ZoneShape {
  if (shape.kind === "free") return { ...shape, points: shape.points.map(pairTo(move)) };
  const [xMm, yMm] = pairTo(move)([shape.xMm, shape.yMm]);
  if (shape.kind === "round") return { ...shape, xMm, yMm };
  const turned = halfTurn((move.mirrors ? -1 : 1) * (shape.turnDeg ?? 0) + (move.turnDeg ?? 0));
  const { turnDeg: _before, ...rest } = shape;
  return { ...rest, xMm, yMm, ...(turned !== 0 && { turnDeg: turned }) };
}

function movedDrawn(drawn: Drawn, move: Move): Drawn {
  switch (drawn.kind) {
    case "line": {
      const points = drawn.points.map(pairTo(move));
      // Its zone stays on the right hand of its way.
      return { ...drawn, points: move.mirrors ? points.reverse() : points };
    }
    case "shape":
      return { ...drawn, shape: movedShape(drawn.shape, move) };
    case "stripes":
      return {
        ...drawn,
        angleDeg: halfTurn((move.mirrors ? -1 : 1) * drawn.angleDeg + (move.turnDeg ?? 0)),
      };
    case "pebbles":
      return drawn.moved
        ? {
            ...drawn,
            moved: drawn.moved.map(({ stone, at }) => ({ stone, at: pairTo(move)(at) })),
          }
        : drawn;
    case "bands":
      return drawn;
  }
}

/** A divider with its drawing moved. */
export const movedDivider = (divider: Divider, move: Move): Divider => ({
  ...divider,
  drawn: movedDrawn(divider.drawn, move),
});

/** A division that goes with its piece. */
export const movedDivision = (division: Division, move: Move): Division => ({
  ...division,
  dividers: division.dividers.map((divider) => movedDivider(divider, move)),
});

/** The same division on another size: places and sizes of shapes grow with length and depth, widths as their mean. */
export function scaledDivision(division: Division, timesX: number, timesY: number): Division {
  const mean = Math.sqrt(timesX * timesY);
  const move: Move = { to: (x, y) => [x * timesX, y * timesY] };
  const size = (mm: number, times: number) => storedMm(mm * times);
  const grown = (shape: ZoneShape): ZoneShape => {
    switch (shape.kind) {
      case "round":
        return { ...shape, diameterMm: size(shape.diameterMm, mean) };
      case "free":
        return shape;
      default: {
        const across = Math.abs(shape.turnDeg ?? 0) > 45;
        return {
          ...shape,
          lengthMm: size(shape.lengthMm, across ? timesY : timesX),
          depthMm: size(shape.depthMm, across ? timesX : timesY),
        };
      }
    }
  };
  return {
    ...division,
    dividers: movedDivision(division, move).dividers.map(({ drawn, ...divider }): Divider => {
      switch (drawn.kind) {
        case "shape":
          return { ...divider, drawn: { ...drawn, shape: grown(drawn.shape) } };
        case "stripes":
        case "bands":
          return {
            ...divider,
            drawn: {
              ...drawn,
              fromMm: size(drawn.fromMm, mean),
              widthsMm: drawn.widthsMm.map((wideMm) => size(wideMm, mean)),
            },
          };
        default:
          return { ...divider, drawn };
      }
    }),
  };
}
