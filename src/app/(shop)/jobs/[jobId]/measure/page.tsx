import { MeasureView } from "@/features/job/measure/measure-view";

export default async function MeasurePage({ params }: { params: Promise<{ jobId: string }> }) {
  return <MeasureView jobId={(await params).jobId} />;
}
