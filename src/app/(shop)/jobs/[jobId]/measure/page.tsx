import { shopSettings } from "@/features/bench/queries";
import { requirePerson } from "@/server/require-person";
import { MeasureView } from "@/features/job/measure/measure-view";

export default async function MeasurePage({ params }: { params: Promise<{ jobId: string }> }) {
  const { faceMm, planerMm } = await shopSettings(await requirePerson());
  return <MeasureView jobId={(await params).jobId} shop={{ faceMm, planerMm }} />;
}
