"use client";

import type { ReactNode } from "react";
import { Button } from "@/ui/button";
import { SheetLinks } from "../cups/sheet-links";
import { useJobState } from "../workspace/use-job";

/** A box to tick with a pen in a wet glove. */
export const PaperBox = () => (
  <span aria-hidden className="inline-block size-[24px] border-[1.5px] border-black shrink-0" />
);

/** A sheet as it lies on the printer: black on white, the instrument around it stays off paper. */
export function SheetPage({ jobId, kind, children }: { jobId: string; kind: string; children: ReactNode }) {
  const name = useJobState((state) => state.job.name);
  return (
    <main className="flex-1 overflow-y-auto print:overflow-visible">
      <div className="off-paper px-7 pt-1 pb-4 flex items-end gap-6">
        <SheetLinks jobId={jobId} />
        <Button weight="primary" onClick={() => window.print()} className="ml-auto">
          Print
        </Button>
      </div>
      <article className="bg-white text-black mx-auto max-w-[820px] px-10 py-9 mb-8 border border-line print:border-0 print:p-0 print:m-0 print:max-w-none">
        <header className="border-b-2 border-black pb-2 mb-4 flex items-baseline gap-4">
          <h1 className="heading text-2xl">{name}</h1>
          <span className="ml-auto">{kind}</span>
        </header>
        {children}
      </article>
    </main>
  );
}
