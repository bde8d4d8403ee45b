import { format } from "date-fns";
import type { Person } from "@/contracts/people";
import { serverNowMs } from "@/contracts/server-now";
import { onTheWall } from "@/core/shop/wall-clock";

/** The day of a moment on the shop's wall, year-month-day. */
export const shopDay = ({ timeZone }: Pick<Person, "timeZone">, at: Date): string =>
  format(onTheWall(at, timeZone), "yyyy-MM-dd");

/** Today on the shop's wall. */
export const todayOf = (person: Pick<Person, "timeZone">): string => shopDay(person, new Date(serverNowMs()));
