import { findStarts, type Start } from "@/core/schedule/find-starts";
import { planDays, type DayPlan, type Settings, type WindowCoat } from "@/core/schedule/windows";

export type DaysQuestion = { coats: WindowCoat[]; settings: Settings } & (
  { ask: "plan"; startMin: number } | { ask: "starts" }
);
export type DaysAnswer = { plan: DayPlan } | { starts: Start[] };

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<DaysQuestion>) => void) | null;
  postMessage: (message: DaysAnswer) => void;
};

scope.onmessage = ({ data }) => {
  scope.postMessage(
    data.ask === "plan"
      ? { plan: planDays(data.coats, data.startMin, data.settings) }
      : { starts: findStarts(data.coats, data.settings) },
  );
};
