import type { Point } from "@/core/geometry/curves";

const DIRECTIONS: Record<string, Point> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** Which way an arrow key points on the screen; nothing for any other key. */
export const arrowWay = ({ key }: { key: string }): Point | undefined => DIRECTIONS[key];
