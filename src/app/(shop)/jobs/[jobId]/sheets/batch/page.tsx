import { BatchSheetView } from "@/features/job/sheets/batch-sheet-view";

export default async function BatchSheetPage({ params }: { params: Promise<{ jobId: string }> }) {
  return <BatchSheetView jobId={(await params).jobId} />;
}
