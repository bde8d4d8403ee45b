import type { Metadata } from "next";
import type { ReactNode } from "react";
import { sent } from "@/contracts/sent";
import { openJob } from "@/features/job/queries";
import { JobRuler } from "@/features/job/workspace/job-ruler";
import { JobWorkspace } from "@/features/job/workspace/job-workspace";
import { SaveLine } from "@/features/job/workspace/save-line";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";
import { orNotFound, orVersions } from "@/server/or-not-found";

type Props = { params: Promise<{ jobId: string }>; children: ReactNode };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const person = await requirePerson();
  const { jobId } = await params;
  const { job } = await orVersions(jobId, orNotFound(openJob(person, jobId)));
  return { title: job.name };
}

export default async function JobLayout({ params, children }: Props) {
  const person = await requirePerson();
  const { jobId } = await params;
  const { job, cards, colours, pours, inspected, adopted } = await orVersions(
    jobId,
    orNotFound(openJob(person, jobId)),
  );
  return (
    <JobWorkspace key={job.id} shown={sent({ job, cards, colours, adopted })} system={person.units}>
      <Header person={person}>
        <div className="flex items-baseline gap-5 min-w-0">
          <span className="text-lg text-ink-soft truncate">
            {job.name}
            {job.client && `, ${job.client}`}
          </span>
          <SaveLine />
        </div>
      </Header>
      <JobRuler
        jobId={job.id}
        poured={pours.length > 0}
        inspected={inspected}
        finished={pours.some((pour) => pour.finished)}
      />
      {children}
    </JobWorkspace>
  );
}
