import { openBench } from "@/features/bench/queries";
import { RunSheetView } from "@/features/job/sheets/run-sheet-view";
import { requirePerson } from "@/server/require-person";

export default async function RunSheetPage({ params }: { params: Promise<{ jobId: string }> }) {
  const person = await requirePerson();
  return <RunSheetView jobId={(await params).jobId} bench={await openBench(person)} />;
}
