"use client";

import { describeChanges, type Change } from "@/core/job/describe-changes";
import { Button } from "@/ui/button";
import { Dialog } from "@/ui/dialog";
import { useJob, useJobState } from "./use-job";
import { useShopClock } from "@/ui/shop-clock";

function Differences({ changes }: { changes: Change[] }) {
  if (changes.length === 0) return <p className="text-ink-soft">Both versions are the same.</p>;
  return (
    <table className="w-full text-sm">
      <thead>
        <tr className="label text-left">
          <th className="font-normal py-1">Where</th>
          <th className="font-normal">There now</th>
          <th className="font-normal">Yours</th>
        </tr>
      </thead>
      <tbody>
        {changes.slice(0, 30).map((change, index) => (
          <tr key={index} className="border-t border-line align-top">
            <td className="py-1.5 pr-3">{change.where}</td>
            <td className="figure font-normal pr-3">{change.before}</td>
            <td className="figure">{change.after}</td>
          </tr>
        ))}
        {changes.length > 30 && (
          <tr className="border-t border-line">
            <td colSpan={3} className="py-1.5 text-ink-soft">
              and {changes.length - 30} more
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** Two versions of one job: both at hand, neither overwritten. */
export function ConflictDialog() {
  const conflict = useJobState((state) => state.conflict);
  const { say } = useShopClock();
  const document = useJobState((state) => state.document);
  const { system } = useJob();
  const settle = useJobState((state) => state.settle);
  if (!conflict) return null;
  return (
    <Dialog open onClose={() => {}} title="This job was saved elsewhere" mustAnswer wide>
      <p className="mb-4 max-w-[60ch]">
        {conflict.savedBy} saved a version at {say(conflict.savedAt, "HH:mm, d MMM")} while you were changing
        this one. Nothing is lost: the version you do not choose stays one step away, by undo or redo.
      </p>
      <Differences changes={describeChanges(conflict.document, document, system)} />
      <div className="flex gap-3 mt-6">
        <Button weight="primary" onClick={() => void settle("mine")}>
          Put mine on top
        </Button>
        <Button onClick={() => void settle("theirs")}>Take what is there</Button>
      </div>
    </Dialog>
  );
}
