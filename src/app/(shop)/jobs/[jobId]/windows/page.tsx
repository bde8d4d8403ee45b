import { Suspense } from "react";
import { openBench } from "@/features/bench/queries";
import { WindowsView } from "@/features/job/windows/windows-view";
import { ShortForJob } from "@/features/shelf/short-on-shelf";
import { requirePerson } from "@/server/require-person";

export default async function WindowsPage({ params }: { params: Promise<{ jobId: string }> }) {
  const person = await requirePerson();
  const { jobId } = await params;
  return (
    <WindowsView
      bench={await openBench(person)}
      short={
        <Suspense>
          <ShortForJob person={person} jobId={jobId} />
        </Suspense>
      }
    />
  );
}
