"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import { Button } from "@/ui/button";
import { PlainHeader } from "./shop-nav";

/** In place of a view that could not be drawn: what to do, and the way to an earlier version of the job. */
export function BrokenView({ again }: { again: () => void }) {
  const jobId = /^\/jobs\/([0-9a-f-]{36})/.exec(usePathname() ?? "")?.[1];
  return (
    <>
      <PlainHeader />
      <main className="flex-1 px-7 max-sm:px-4 py-10 max-w-2xl">
        <h1 className="heading text-2xl mb-2">This view could not be drawn.</h1>
        <p className="mb-5">
          {jobId
            ? "Something in this job cannot be worked out. Nothing is lost: every version that was saved is kept, and what you typed last is kept in this browser."
            : "Nothing is lost: what was saved is kept, and what you typed last is kept in this browser."}
        </p>
        <div className="flex gap-5 items-center flex-wrap">
          <Button weight="primary" onClick={again}>
            Try again
          </Button>
          {jobId && (
            <Link href={`/versions/${jobId}`} className="underline underline-offset-4">
              Earlier versions of this job
            </Link>
          )}
          <Link href="/bench" className="underline underline-offset-4">
            Bench
          </Link>
          <Link href="/jobs" className="underline underline-offset-4">
            All jobs
          </Link>
        </div>
      </main>
    </>
  );
}
