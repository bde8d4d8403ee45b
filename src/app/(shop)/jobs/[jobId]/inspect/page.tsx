import { sent } from "@/contracts/sent";
import { inspectionFor } from "@/features/pour/queries";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";
import { InspectOfJob } from "./inspect-of-job";

type Props = { params: Promise<{ jobId: string }>; searchParams: Promise<{ pour?: string | string[] }> };

export default async function InspectPage({ params, searchParams }: Props) {
  const person = await requirePerson();
  const { jobId } = await params;
  const { pour } = await searchParams;
  const { pours, combMm } = await orNotFound(inspectionFor(person, jobId));
  return (
    <InspectOfJob
      jobId={jobId}
      shown={sent(pours)}
      shownId={typeof pour === "string" ? pour : null}
      combMm={combMm}
    />
  );
}
