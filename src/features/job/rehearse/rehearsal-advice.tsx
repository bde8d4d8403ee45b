"use client";

import { saidIn } from "@/core/units/said";
import Link from "next/link";
import { useParams } from "next/navigation";
import { useEffect, useMemo, useState } from "react";
import { wantedOf } from "@/core/plan/colour-plan";
import {
  blendingPass,
  judgePicture,
  roundsFinding,
  type PictureMeasures,
} from "@/core/rehearsal/judge-picture";
import { rehearsalOf } from "@/core/rehearsal/rehearse";
import { covers, type Coat } from "@/core/schedule/coat";
import { useJob } from "../workspace/use-job";
import { askFor, callOff } from "@/pictures/picture-pool";

/** Measured small, so that it is there while one still looks at the coat. */
const WIDTH_PX = 320;
/** After so long without a change, ms. */
const QUIET_MS = 600;
const MOST = 4;

/** What the rehearsal says of a coat while it is built: what takes over, what is swallowed, how many rounds are too many. */
export function RehearsalAdvice({ coat }: { coat: Coat }) {
  const { jobId } = useParams<{ jobId: string }>();
  const { document, plan, system } = useJob();
  const of = useMemo(() => {
    const piece = plan.pieces.find(({ id }) => covers(coat, id));
    const whole = piece ? rehearsalOf(plan, document, piece) : null;
    // A coat that another one hides is not looked at: what is told is told of the one on top.
    const onTop = whole?.rehearsal.coats.findLast(({ vein }) => !vein);
    return onTop?.id === coat.id ? whole : null;
  }, [plan, document, coat]);
  const [found, setFound] = useState<{
    of: typeof of;
    measures: PictureMeasures | null;
    byRound: number[] | null;
  } | null>(null);
  useEffect(() => {
    if (!of) return;
    const owner = {};
    const timer = setTimeout(() => {
      const blending = blendingPass(of);
      askFor(owner, of, [
        {
          kind: "measure",
          passes: of.passes.length,
          widthPx: WIDTH_PX,
          done: (measures) =>
            setFound((before) => ({ of, measures, byRound: before?.of === of ? before.byRound : null })),
        },
        ...(blending
          ? [
              {
                kind: "rounds" as const,
                passId: blending.pass.id,
                done: (byRound: number[]) =>
                  setFound((before) => ({
                    of,
                    byRound,
                    measures: before?.of === of ? before.measures : null,
                  })),
              },
            ]
          : []),
      ]);
    }, QUIET_MS);
    return () => {
      clearTimeout(timer);
      callOff(owner);
    };
  }, [of]);
  if (!of || !found || found.of !== of) return null;
  const rounds = found.byRound && roundsFinding(found.byRound, blendingPass(of)?.pass.rounds ?? 1);
  const findings = [
    ...(rounds ? [rounds] : []),
    ...(found.measures ? judgePicture(of, found.measures, wantedOf(plan.looks, document.target)) : []).filter(
      ({ grade }) => grade !== "note",
    ),
  ].slice(0, MOST);
  if (findings.length === 0) return null;
  return (
    <section aria-label="From the rehearsal" className="mt-4">
      <h3 className="heading border-b border-line pb-1 mb-1 flex items-baseline justify-between">
        From the rehearsal
        <Link href={`/jobs/${jobId}/rehearse`} className="label underline underline-offset-4">
          see it
        </Link>
      </h3>
      {findings.map(({ id, what, soWhat }) => (
        <p key={id} role="note" className="border-l-[3px] border-ink pl-3 py-0.5 my-2 text-sm leading-[1.35]">
          <span className="font-semibold">{saidIn(what, system)}</span> {saidIn(soWhat, system)}
        </p>
      ))}
      <p className="label">A model&apos;s picture of one sister: its numbers are estimates.</p>
    </section>
  );
}
