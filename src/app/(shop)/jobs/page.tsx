import type { Metadata } from "next";
import { listJobs, removedJobs } from "@/features/jobs/queries";
import { JobsView } from "@/features/jobs/jobs-view";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "Jobs" };

export default async function JobsPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible flex flex-col">
        <JobsView
          jobs={await listJobs(person)}
          removed={await removedJobs(person)}
          today={new Date().toISOString().slice(0, 10)}
        />
      </div>
    </>
  );
}
