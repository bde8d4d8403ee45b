"use client";

import Link from "next/link";
import { useRouter } from "next/navigation";
import type { ReactNode } from "react";
import { useJobState } from "../workspace/use-job";
import { useJobFile } from "../workspace/use-job-file";

const link = "underline underline-offset-4 decoration-line-strong hover:decoration-ink";

/** A file made on the server: what was typed last is saved before it is asked for. */
function FileLink({ href, children }: { href: string; children: ReactNode }) {
  const file = useJobFile();
  return (
    <a
      href={href}
      onClick={(event) => {
        event.preventDefault();
        void file(href);
      }}
      className={link}
    >
      {children}
    </a>
  );
}

/** A page that the server computes: what was typed last is saved before it is opened. */
function SavedLink({ href, children }: { href: string; children: ReactNode }) {
  const save = useJobState((state) => state.save);
  const router = useRouter();
  return (
    <a
      href={href}
      className={`${link} font-semibold`}
      onClick={(event) => {
        event.preventDefault();
        void save().then(() => router.push(href));
      }}
    >
      {children}
    </a>
  );
}

/** The sheets to take to the bench. */
export function SheetLinks({ jobId }: { jobId: string }) {
  const base = `/jobs/${jobId}/sheets`;
  return (
    <div className="mt-6 pt-3 border-t border-ink flex gap-x-6 gap-y-1 flex-wrap text-sm">
      <span>
        <Link href={`${base}/batch`} className={`${link} font-semibold`}>
          Batch sheet
        </Link>{" "}
        <span className="text-ink-soft">PDF</span> <FileLink href={`${base}/batch.pdf?paper=a4`}>A4</FileLink>{" "}
        <FileLink href={`${base}/batch.pdf?paper=letter`}>Letter</FileLink>{" "}
        <FileLink href={`${base}/batch.csv`}>CSV</FileLink>{" "}
        <FileLink href={`${base}/batch.json`}>JSON</FileLink>
      </span>
      <SavedLink href={`/jobs/${jobId}/buy`}>What to buy</SavedLink>
      <SavedLink href={`/jobs/${jobId}/price`}>Cost and price</SavedLink>
      <Link href={`${base}/wall`} className={`${link} font-semibold`}>
        Wall page
      </Link>
      <span>
        <Link href={`${base}/run`} className={`${link} font-semibold`}>
          Run sheet
        </Link>{" "}
        <span className="text-ink-soft">PDF</span> <FileLink href={`${base}/run.pdf?paper=a4`}>A4</FileLink>{" "}
        <FileLink href={`${base}/run.pdf?paper=letter`}>Letter</FileLink>
      </span>
    </div>
  );
}
