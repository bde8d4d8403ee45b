import { MeasureView } from "@/features/job/measure/measure-view";

export default function MeasurePage() {
  return <MeasureView />;
}
