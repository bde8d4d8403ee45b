"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState, useSyncExternalStore } from "react";
import { callAct } from "@/contracts/call-act";
import {
  archiveJob,
  removeJob,
  createJob,
  describeJob,
  duplicateJob,
  JOB_STATUSES,
  STATUS_WORDS,
  type JobSummary,
} from "@/contracts/jobs";
import { Button } from "@/ui/button";
import { Choice } from "@/ui/choice";
import { Dialog } from "@/ui/dialog";
import { Menu, MenuItem } from "@/ui/menu";
import { fetchFile } from "@/ui/save-file";
import { TextField } from "@/ui/text-field";
import { JobForm } from "./job-form";
import type { Removed } from "@/core/shop/removed";
import { DeletedLately } from "@/ui/deleted-lately";
import { useClockWords, useShopClock } from "@/ui/shop-clock";

type Shown = "open" | "done" | "archived";

const ALL: { value: Shown; words: string }[] = [
  { value: "open", words: "open" },
  { value: "done", words: "done" },
  { value: "archived", words: "archived" },
];

function matches(job: JobSummary, shown: Shown, search: string): boolean {
  const group: Shown = job.archived ? "archived" : job.status === "done" ? "done" : "open";
  const words = `${job.name} ${job.client} ${job.status}`.toLowerCase();
  return search.trim() ? words.includes(search.trim().toLowerCase()) : group === shown;
}

/** Due first, then the one touched last. */
const byDue = (a: JobSummary, b: JobSummary) =>
  (a.dueOn ?? "9999").localeCompare(b.dueOn ?? "9999") || b.updatedAt.localeCompare(a.updatedAt);

/** Five marks of a scale: how far a job has come. */
function Progress({ job }: { job: JobSummary }) {
  const at = JOB_STATUSES.indexOf(job.status);
  return (
    <span className="inline-flex items-center gap-2 w-36 max-sm:w-auto">
      <svg width="56" height="12" aria-hidden className="max-sm:hidden">
        <line x1="0" x2="56" y1="11.5" y2="11.5" stroke="var(--color-ink)" />
        {JOB_STATUSES.map((status, index) => (
          <rect
            key={status}
            x={index * 11.2 + 1}
            y={index <= at ? 3 : 8}
            width={index <= at ? 8 : 1}
            height={index <= at ? 8 : 4}
            fill="var(--color-ink)"
          />
        ))}
      </svg>
      <span>{STATUS_WORDS[job.status]}</span>
    </span>
  );
}

/** The day is read anew whenever the list is drawn; nothing has to be told. */
const never = () => () => {};

/** The jobs of the shop. */
export function JobsView({
  jobs,
  removed,
  today: serverToday,
}: {
  jobs: JobSummary[];
  removed: Removed[];
  today: string;
}) {
  const { dateText } = useClockWords();
  const { say } = useShopClock();
  // The server knows the day in its own time zone; the browser, the person's.
  const today = useSyncExternalStore(
    never,
    () => say(Date.now(), "yyyy-MM-dd"),
    () => serverToday,
  );
  const router = useRouter();
  const [search, setSearch] = useState("");
  const [shown, setShown] = useState<Shown>("open");
  const [form, setForm] = useState<"new" | JobSummary | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const list = useMemo(
    () => jobs.filter((job) => matches(job, shown, search)).sort(byDue),
    [jobs, shown, search],
  );

  const after = (result: { ok: boolean; error?: { message: string } }) => {
    setProblem(result.ok ? null : (result.error?.message ?? null));
    if (result.ok) router.refresh();
  };

  return (
    <main className="px-7 max-sm:px-4 py-6 flex-1 flex flex-col">
      <div className="flex items-end gap-5 mb-5 flex-wrap">
        <h1 className="heading text-2xl mr-auto">Jobs</h1>
        <TextField
          label="Search name, client, status"
          type="search"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          frame="w-60"
        />
        <Link href="/quotes" className="underline underline-offset-4 decoration-line-strong mb-1.5">
          quotes
        </Link>
        <Choice label="Which jobs" value={shown} options={ALL} onChange={setShown} className="mb-0.5" />
        <Button weight="primary" onClick={() => setForm("new")}>
          New job
        </Button>
      </div>
      {problem && (
        <p role="alert" className="text-danger border-l-2 border-danger pl-2 mb-3">
          {problem}
        </p>
      )}
      {list.length === 0 ? (
        <div className="border-t border-ink pt-8 max-w-xl">
          {jobs.length === 0 ? (
            <>
              <p className="heading text-xl mb-2">No job yet.</p>
              <p className="text-ink-soft mb-5">
                Make one, type the size of the first piece, choose a base and a colour coat: the cups follow.
                You can print the batch sheet five minutes from now.
              </p>
              <Button weight="primary" onClick={() => setForm("new")}>
                Make the first job
              </Button>
            </>
          ) : (
            <p className="text-ink-soft">
              {search
                ? `Nothing is called “${search}”. The search looks at name, client and status of all jobs.`
                : `No job is ${shown}.`}
            </p>
          )}
        </div>
      ) : (
        <table className="w-full border-t border-ink">
          <thead>
            <tr className="label text-left">
              <th className="font-normal py-2">Job</th>
              <th className="font-normal max-sm:hidden">Client</th>
              <th className="font-normal max-sm:hidden">Pieces</th>
              <th className="font-normal">Status</th>
              <th className="font-normal">Due</th>
              <th className="font-normal">
                <span className="sr-only">More</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {list.map((job) => (
              <tr key={job.id} className="border-t border-line hover:bg-paper">
                <td className="py-2.5 pr-4">
                  <Link
                    prefetch={false}
                    href={`/jobs/${job.id}/measure`}
                    className="heading text-lg hover:underline underline-offset-4"
                  >
                    {job.name}
                  </Link>
                  <span className="label sm:hidden block">{job.client || "own work"}</span>
                </td>
                <td className="text-ink-soft pr-4 max-sm:hidden">{job.client || "own work"}</td>
                <td className="figure pr-4 max-sm:hidden">{job.pieces}</td>
                <td className="pr-4">
                  <Progress job={job} />
                </td>
                <td className="pr-4 max-sm:pr-2 whitespace-nowrap">
                  {job.dueOn ? (
                    <>
                      <span className="figure">{dateText(job.dueOn)}</span>
                      {job.dueOn < today && job.status !== "done" && (
                        <span className="text-danger ml-2 max-sm:ml-0 max-sm:block">late</span>
                      )}
                    </>
                  ) : (
                    <span className="text-ink-soft">no date</span>
                  )}
                </td>
                <td className="text-right">
                  <Menu label="more">
                    <MenuItem onSelect={() => setForm(job)}>Rename, status, date</MenuItem>
                    <MenuItem onSelect={() => router.push(`/versions/${job.id}`)}>Earlier versions</MenuItem>
                    <MenuItem onSelect={async () => after(await callAct(duplicateJob, { jobId: job.id }))}>
                      Duplicate
                    </MenuItem>
                    <MenuItem onSelect={() => void fetchFile(`/jobs/${job.id}/job.zip`)}>
                      As a file, for a colleague
                    </MenuItem>
                    <MenuItem
                      onSelect={async () =>
                        after(await callAct(archiveJob, { jobId: job.id, archived: !job.archived }))
                      }
                    >
                      {job.archived ? "Take out of the archive" : "Archive"}
                    </MenuItem>
                    <MenuItem
                      danger
                      onSelect={async () => after(await callAct(removeJob, { jobId: job.id, removed: true }))}
                    >
                      Delete
                    </MenuItem>
                  </Menu>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <DeletedLately
        removed={removed}
        onBack={async (jobId) => {
          const result = await callAct(removeJob, { jobId, removed: false });
          return result.ok ? null : result.error.message;
        }}
      />
      <Dialog open={form !== null} onClose={() => setForm(null)} title={form === "new" ? "New job" : "Job"}>
        {form === "new" ? (
          <JobForm
            start={{ name: "", client: "", status: "planning", dueOn: null }}
            submitWord="Make the job"
            onSubmit={async (fields) => {
              const result = await callAct(createJob, { fields });
              if (!result.ok) return result.error;
              router.push(`/jobs/${result.value.jobId}/measure`);
              return null;
            }}
          />
        ) : (
          form && (
            <JobForm
              start={{ name: form.name, client: form.client, status: form.status, dueOn: form.dueOn }}
              submitWord="Save"
              onSubmit={async (fields) => {
                const result = await callAct(describeJob, { jobId: form.id, fields });
                if (!result.ok) return result.error;
                setForm(null);
                router.refresh();
                return null;
              }}
            />
          )
        )}
      </Dialog>
    </main>
  );
}
