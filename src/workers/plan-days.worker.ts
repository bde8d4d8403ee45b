import { findStarts, type Start } from "@/core/schedule/find-starts";
import { beside, type Neighbour, type ShopJob, type ShopMeans } from "@/core/schedule/shop-days";
import { planDays, type DayPlan } from "@/core/schedule/plan-days";
import type { Settings, WindowCoat } from "@/core/schedule/coat-windows";

/** A job among the other work of the shop; null where it has no day. */
export type Among = { job: ShopJob; others: readonly Neighbour[]; means: ShopMeans };

export type DaysQuestion =
  | { ask: "plan"; coats: WindowCoat[]; settings: Settings; startMin: number }
  | { ask: "starts"; coats: WindowCoat[]; settings: Settings; among: Among | null };
export type DaysAnswer = { plan: DayPlan } | { starts: Start[] };

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<DaysQuestion>) => void) | null;
  postMessage: (message: DaysAnswer) => void;
};

scope.onmessage = ({ data }) => {
  if (data.ask === "plan") {
    scope.postMessage({ plan: planDays(data.coats, data.startMin, data.settings) });
    return;
  }
  const { coats, settings, among } = data;
  const room = among && beside(among.job, among.others, among.means);
  scope.postMessage({
    starts: findStarts(coats, room ? { ...settings, ...room.settings } : settings, 3, room?.alsoFound),
  });
};
