import { RunSheetView } from "@/features/job/sheets/run-sheet-view";

export default async function RunSheetPage({ params }: { params: Promise<{ jobId: string }> }) {
  return <RunSheetView jobId={(await params).jobId} />;
}
