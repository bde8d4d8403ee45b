import { format, parseISO } from "date-fns";
import Link from "next/link";
import type { Person } from "@/contracts/people";
import { patternIn } from "@/core/units/clock";
import { shortOnTheDay } from "./queries";

/** What approved jobs will not find on the shelf on their days, a line each. Nothing where all is there. */
export async function ShortOnShelf({ person }: { person: Person }) {
  const short = await shortOnTheDay(person);
  if (short.length === 0) return null;
  return (
    <ul aria-label="Short on the shelf" className="mt-4 flex flex-col gap-1 text-sm">
      {short.map(({ jobId, name, day, sure, things }) => (
        <li key={jobId} className={`border-l-[3px] pl-3 ${sure ? "border-danger" : "border-ink"}`}>
          <Link href={`/jobs/${jobId}/buy`} className="hover:underline underline-offset-4">
            <span className="font-semibold">{name}</span>,{" "}
            {format(parseISO(day), patternIn("EEE d MMM", person.clock))}:{" "}
            {sure ? "short by" : "may be short by"}{" "}
            {things
              .filter((thing) => thing.sure === sure)
              .map(({ name: thing, lacks }) => `${lacks}, ${thing}`)
              .join("; ")}
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** What one job will not find on the shelf on its day, with what it needs and what may help. */
export async function ShortForJob({ person, jobId }: { person: Person; jobId: string }) {
  const short = (await shortOnTheDay(person, jobId)).find((job) => job.jobId === jobId);
  if (!short) return null;
  return (
    <section
      aria-label="Short on the shelf"
      className={`border-l-[3px] pl-3 mt-3 text-sm ${short.sure ? "border-danger" : "border-ink"}`}
    >
      <Link href={`/jobs/${jobId}/buy`} className="font-semibold hover:underline underline-offset-4">
        {short.sure ? "Short on the shelf" : "May be short on the shelf"}
      </Link>
      {short.things.map(({ name, lacks, sure, beside }) => (
        <p key={name}>
          {name}: {sure ? "short by" : "may be short by"} {lacks}.{" "}
          <span className="text-ink-soft">{beside}</span>
        </p>
      ))}
    </section>
  );
}
