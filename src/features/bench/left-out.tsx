import Link from "next/link";
import type { Bench } from "@/contracts/bench";

const many = (count: number, one: string, more: string) => `${count} ${count === 1 ? one : more}`;

/** What is not on the clock and why: what cannot be read or worked out, with the way to an earlier version, and what is beyond its length. */
export function LeftOut({
  bench,
  broken,
}: {
  bench: Pick<Bench, "unreadable" | "more">;
  broken: readonly { jobId: string; name: string }[];
}) {
  const { unreadable, more } = bench;
  const lost = new Map([
    ...unreadable.jobs.map(({ jobId, name }) => [jobId, name] as const),
    ...unreadable.pours.map(({ jobId, jobName }) => [jobId, jobName] as const),
    ...broken.map(({ jobId, name }) => [jobId, name] as const),
  ]);
  const beyond = [
    ...(more.jobs > 0 ? [many(more.jobs, "dated job", "dated jobs")] : []),
    ...(more.pours > 0 ? [many(more.pours, "pour", "pours")] : []),
  ];
  if (lost.size === 0 && beyond.length === 0) return null;
  return (
    <ul aria-label="Not on the clock" className="mt-5 flex flex-col gap-1 text-sm">
      {[...lost].map(([jobId, name]) => (
        <li key={jobId} className="border-l-[3px] border-danger pl-3">
          <Link href={`/versions/${jobId}`} className="hover:underline underline-offset-4">
            <span className="font-semibold">{name}</span> cannot be read or worked out and is not on the
            clock. Its earlier versions are kept.
          </Link>
        </li>
      ))}
      {beyond.length > 0 && (
        <li className="border-l-[3px] border-ink pl-3">
          {beyond.join(" and ")} more than the clock holds. The nearest are shown; all stand in{" "}
          <Link href="/jobs" className="underline underline-offset-4">
            Jobs
          </Link>
          .
        </li>
      )}
    </ul>
  );
}
