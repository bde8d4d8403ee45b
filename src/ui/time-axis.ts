import { scaleLinear } from "d3-scale";

/** Steps of the hours on an axis, min: the first that leaves room for its figures is taken. */
const STEPS_MIN = [30, 60, 120, 180, 360, 720];

export type TimeAxis = {
  /** Where a minute lies, px; what lies outside of the axis is at its end. */
  x: (atMin: number) => number;
  pixelsPerMin: number;
  /** How many minutes a way along the axis is. */
  minutesIn: (px: number) => number;
  /** Minutes at which there is a line, at least so many pixels apart. */
  ticks: (apartPx: number, stepsMin?: readonly number[]) => number[];
};

/** Minutes from left to right: the one axis of every view that shows time. */
export function timeAxis({
  fromMin,
  untilMin,
  leftPx,
  rightPx,
}: {
  fromMin: number;
  untilMin: number;
  leftPx: number;
  rightPx: number;
}): TimeAxis {
  const right = Math.max(leftPx + 1, rightPx);
  const scale = scaleLinear([fromMin, untilMin], [leftPx, right]).clamp(true);
  const pixelsPerMin = (right - leftPx) / (untilMin - fromMin);
  return {
    x: (atMin) => scale(atMin),
    pixelsPerMin,
    minutesIn: (px) => px / pixelsPerMin,
    ticks: (apartPx, stepsMin = STEPS_MIN) => {
      const step =
        stepsMin.find((minutes) => minutes * pixelsPerMin >= apartPx) ?? stepsMin.at(-1) ?? untilMin;
      const first = Math.ceil(fromMin / step);
      const many = Math.max(0, Math.floor(untilMin / step) - first + 1);
      return Array.from({ length: many }, (_, index) => (first + index) * step);
    },
  };
}
