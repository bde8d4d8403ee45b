import { poursOfJob } from "@/features/pour/queries";
import { requirePerson } from "@/server/require-person";
import { StartFromJob } from "./start-from-job";

export default async function PourPage({ params }: { params: Promise<{ jobId: string }> }) {
  const { jobId } = await params;
  const pours = await poursOfJob(await requirePerson(), jobId);
  return (
    <StartFromJob
      jobId={jobId}
      pours={pours.map(({ id, startedAt, finishedAt }) => ({ id, startedAt, finishedAt }))}
    />
  );
}
