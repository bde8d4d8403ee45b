import { LogView } from "@/features/log/log-view";
import { logOf } from "@/features/log/queries";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";

type Props = { params: Promise<{ jobId: string }>; searchParams: Promise<{ pour?: string | string[] }> };

export default async function LogPage({ params, searchParams }: Props) {
  const person = await requirePerson();
  const { jobId } = await params;
  const { pour } = await searchParams;
  return (
    <LogView
      jobId={jobId}
      pours={await orNotFound(logOf(person, jobId))}
      shownId={typeof pour === "string" ? pour : null}
      system={person.units}
    />
  );
}
