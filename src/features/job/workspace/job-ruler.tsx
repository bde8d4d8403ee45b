"use client";

import { usePathname } from "next/navigation";
import type { Coat } from "@/core/schedule/coat";
import { Ruler } from "@/ui/ruler";
import { beginPicture } from "../rehearse/begin-picture";
import { useJob } from "./use-job";

/** Whether every colour that is laid is mixed from the shelf, or clear. */
const coloursMixed = (coats: readonly Coat[]) =>
  coats.length > 0 &&
  coats.every((coat) =>
    coat.colours.every((colour) => colour.look === "clear" || colour.parts !== undefined),
  );

/** The stages of this job as marks on the ruler; a stage is done when it has what the next one needs. */
export function JobRuler({
  jobId,
  poured,
  inspected,
  finished,
}: {
  jobId: string;
  poured: boolean;
  inspected: boolean;
  finished: boolean;
}) {
  const { document, plan } = useJob();
  const path = usePathname();
  const measured = plan.pieces.length > 0 && plan.faults.length === 0;
  const built = measured && plan.coats.length > 0 && plan.coats.every((coat) => coat.problem === null);
  const stages = [
    { name: "Measure", slug: "measure", done: measured },
    { name: "Build", slug: "build", done: document.coats.length > 0 && built },
    { name: "Colour", slug: "colour", done: coloursMixed(document.coats) },
    { name: "Cups", slug: "cups", done: built },
    { name: "Windows", slug: "windows", done: document.work.startOn !== undefined && built },
    {
      name: "Rehearse",
      slug: "rehearse",
      done: document.rehearsal !== undefined && built,
      // Its first picture is begun before it is opened.
      onApproach: () => beginPicture(plan, document),
    },
    { name: "Pour", slug: "pour", done: poured },
    { name: "Inspect", slug: "inspect", done: inspected },
    { name: "Log", slug: "log", done: finished },
  ].map(({ slug, ...stage }) => ({ ...stage, href: `/jobs/${jobId}/${slug}` }));
  const current = stages.find((stage) => path.startsWith(stage.href))?.name ?? "Cups";
  return <Ruler stages={stages} current={current} />;
}
