"use client";

import { factorValues } from "@/core/learning/decisions";
import type { FactorId } from "@/core/batch/factors";
import { Button } from "@/ui/button";
import { useJob } from "../workspace/use-job";

/** Where the shop has taken over factors from its log since a job was planned: the job keeps its own until one says otherwise. */
export function ShopFactors() {
  const { document, adopted, change } = useJob();
  const values = factorValues(adopted);
  const ids = Object.keys(values) as FactorId[];
  const differ = ids.filter((id) => document.factors[id] !== values[id]);
  if (ids.length === 0) return null;
  return (
    <p className="border-l-[3px] border-ink pl-3 mt-4 text-sm">
      {differ.length === 0 ? (
        "Losses and film are the shop's own, as its log has them. Touch a line for where a factor comes from."
      ) : (
        <>
          This job is planned with other losses than the shop&apos;s own from its log.{" "}
          <Button
            weight="quiet"
            onClick={() => change((job) => ({ ...job, factors: { ...job.factors, ...values } }))}
          >
            Plan it with the shop&apos;s own
          </Button>
        </>
      )}
    </p>
  );
}
