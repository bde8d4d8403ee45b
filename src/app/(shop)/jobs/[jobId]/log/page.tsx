import { sent } from "@/contracts/sent";
import { LogView } from "@/features/log/log-view";
import { logOf } from "@/features/log/queries";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

type Props = { params: Promise<{ jobId: string }>; searchParams: Promise<{ pour?: string | string[] }> };

export default async function LogPage({ params, searchParams }: Props) {
  const person = await requirePerson();
  const { jobId } = await params;
  const { pour } = await searchParams;
  return (
    <OnlyInBrowser>
      <LogView
        jobId={jobId}
        shown={sent(await orNotFound(logOf(person, jobId)))}
        shownId={typeof pour === "string" ? pour : null}
        system={person.units}
      />
    </OnlyInBrowser>
  );
}
