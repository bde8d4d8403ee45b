"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { callAct } from "@/contracts/call-act";
import { restoreJob, type JobVersion } from "@/contracts/jobs";
import { Button } from "@/ui/button";
import { OnlyInBrowser } from "@/ui/only-in-browser";
import { useShopClock } from "@/ui/shop-clock";

/** Earlier versions of a job, to go back to one: where the present one cannot be read, or an older one was better. */
export function VersionsView({
  jobId,
  name,
  revision,
  versions,
}: {
  jobId: string;
  name: string;
  revision: number;
  versions: JobVersion[];
}) {
  const router = useRouter();
  const { say } = useShopClock();
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const goBack = async (to: number) => {
    setBusy(true);
    const result = await callAct(restoreJob, { jobId, to });
    setBusy(false);
    if (result.ok) router.replace(`/jobs/${jobId}/measure`);
    else setProblem(`Version ${to}: ${result.error.message}`);
  };
  return (
    <main className="px-7 max-sm:px-4 py-6 max-w-3xl">
      <h1 className="heading text-2xl mb-1">Versions of {name}</h1>
      <p className="text-ink-soft mb-5">
        Every save is kept. Going back puts the version you choose on top; the ones after it stay in this
        list. If a job does not open, its present version cannot be read or worked out: go back to one before
        it.
      </p>
      {problem && (
        <p role="alert" className="border-l-2 border-danger text-danger pl-2 mb-4">
          {problem}
        </p>
      )}
      <OnlyInBrowser>
        <ol className="border-t border-ink">
          {versions.map((version) => (
            <li key={version.revision} className="border-b border-line py-2.5 flex items-baseline gap-5">
              <span className="figure text-xl w-10">{version.revision}</span>
              <span className="flex-1 min-w-0">
                {say(version.savedAt, "EEEE d MMMM yyyy, HH:mm")}
                <span className="text-ink-soft"> by {version.savedBy}</span>
              </span>
              {version.revision === revision ? (
                <span className="label">as it is now</span>
              ) : (
                <Button disabled={busy} onClick={() => void goBack(version.revision)}>
                  Go back to this
                </Button>
              )}
            </li>
          ))}
        </ol>
      </OnlyInBrowser>
      <p className="mt-5">
        <Link href="/jobs" className="underline underline-offset-4">
          All jobs
        </Link>
      </p>
    </main>
  );
}
