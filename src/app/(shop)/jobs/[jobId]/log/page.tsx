import { sent } from "@/contracts/sent";
import { LogView } from "@/features/log/log-view";
import { logOf } from "@/features/log/queries";
import { quotedOfJob } from "@/features/money/earned/queries";
import { QuotedView } from "@/features/money/earned/quoted-view";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

type Props = { params: Promise<{ jobId: string }>; searchParams: Promise<{ pour?: string | string[] }> };

export default async function LogPage({ params, searchParams }: Props) {
  const person = await requirePerson();
  const { jobId } = await params;
  const { pour } = await searchParams;
  const shown = sent(await orNotFound(logOf(person, jobId)));
  const order = await quotedOfJob(person, jobId);
  return (
    <OnlyInBrowser>
      <LogView
        jobId={jobId}
        shown={shown}
        shownId={typeof pour === "string" ? pour : null}
        system={person.units}
        quoted={order && <QuotedView order={order} system={person.units} />}
      />
    </OnlyInBrowser>
  );
}
