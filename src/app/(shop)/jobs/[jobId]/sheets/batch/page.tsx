import { openBench } from "@/features/bench/queries";
import { BatchSheetView } from "@/features/job/sheets/batch-sheet-view";
import { requirePerson } from "@/server/require-person";

export default async function BatchSheetPage({ params }: { params: Promise<{ jobId: string }> }) {
  const person = await requirePerson();
  return <BatchSheetView jobId={(await params).jobId} bench={await openBench(person)} />;
}
