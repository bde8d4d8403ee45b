import type { Metadata } from "next";
import { versionsOfJob } from "@/features/job/queries";
import { Header } from "@/features/shell/header";
import { VersionsView } from "@/features/versions/versions-view";
import { orNotFound } from "@/server/or-not-found";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "Versions" };

export default async function VersionsPage({ params }: { params: Promise<{ jobId: string }> }) {
  const person = await requirePerson();
  const { jobId } = await params;
  const versions = await orNotFound(versionsOfJob(person, jobId));
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <VersionsView jobId={jobId} {...versions} />
      </div>
    </>
  );
}
