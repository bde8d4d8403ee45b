import { openBench } from "@/features/bench/queries";
import { WallSheetView } from "@/features/job/sheets/wall-sheet-view";
import { requirePerson } from "@/server/require-person";

export default async function WallPage({ params }: { params: Promise<{ jobId: string }> }) {
  const person = await requirePerson();
  return <WallSheetView jobId={(await params).jobId} bench={await openBench(person)} />;
}
