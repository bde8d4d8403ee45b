import { listPeople } from "@/features/people/queries";
import { pouredCoats, poursOfJob } from "@/features/pour/queries";
import { requirePerson } from "@/server/require-person";
import { StartFromJob } from "./start-from-job";

export default async function PourPage({ params }: { params: Promise<{ jobId: string }> }) {
  const { jobId } = await params;
  const person = await requirePerson();
  const [pours, people, poured] = await Promise.all([
    poursOfJob(person, jobId),
    listPeople(person),
    pouredCoats(person, jobId),
  ]);
  return (
    <StartFromJob
      jobId={jobId}
      pours={pours.map(({ id, startedAt, finishedAt }) => ({ id, startedAt, finishedAt }))}
      poured={poured}
      me={person.name}
      people={people.map(({ name }) => name)}
      zone={person.timeZone}
      clock={person.clock}
    />
  );
}
