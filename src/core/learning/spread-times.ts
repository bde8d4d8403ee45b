import type { Learnt } from "./fit";
import { EIGHT_TENTHS } from "../numerics/normal";

/** A correction as a multiple, with the ends between which eight of ten lie. */
export type Times = { times: number; low: number; high: number };

/** @param sign −1 for what divides, such as a rate in a time */
export function spreadTimes(
  { ids, mean, cov }: Pick<Learnt, "ids" | "mean" | "cov">,
  id: string,
  sign: 1 | -1 = 1,
): Times {
  const at = ids.indexOf(id);
  const likely = sign * (mean[at] ?? 0);
  const half = EIGHT_TENTHS * Math.sqrt(cov[at]?.[at] ?? 0);
  return { times: Math.exp(likely), low: Math.exp(likely - half), high: Math.exp(likely + half) };
}
