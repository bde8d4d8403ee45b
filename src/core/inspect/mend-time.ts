import { plus, startOf } from "../schedule/coat-windows";
import type { StateStart } from "../cure/film-states";
import type { Spread } from "../numerics/spread";

/** How long a film can still be mended, min from now: `levels`, as long as what is brushed on runs together; `touch`, as long as it can be touched at all. */
export type MendTime = { levels: Spread; touch: Spread };

/** A film is brushed and fed until it is heavy, touched with a blade's tip or a finger until it is gummy (common practice, no source). */
export const mendTime = (life: readonly StateStart[], sinceMixMin: number): MendTime => ({
  levels: plus(startOf(life, "heavy"), -sinceMixMin),
  touch: plus(startOf(life, "gummy"), -sinceMixMin),
});

/** Whether a film is past mending, even by the high end of its spread. */
export const isPastMending = ({ touch }: MendTime): boolean => touch.high <= 0;
