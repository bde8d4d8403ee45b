"use client";

import { Button } from "./button";
import { Dialog } from "./dialog";

const counted = (count: number, one: string, many: string) =>
  count === 0 ? [] : [`${count} ${count === 1 ? one : many}`];

/** Before somebody signs out on a device that keeps what the server has not got yet; or why it did not work. */
export function SignOutDialog({
  asking,
  trouble,
  now,
  close,
}: {
  asking: { entries: number; changes: number } | null;
  trouble: string | null;
  now: () => void;
  close: () => void;
}) {
  if (trouble)
    return (
      <Dialog open title="Not signed out" onClose={close}>
        <p className="mb-5">{trouble}</p>
        <Button weight="primary" onClick={close}>
          Back
        </Button>
      </Dialog>
    );
  if (!asking) return null;
  const left = [
    ...counted(asking.entries, "entry of a pour", "entries of a pour"),
    ...counted(asking.changes, "change of a job", "changes of jobs"),
  ];
  return (
    <Dialog open title="Not on the server yet" onClose={close}>
      <p className="mb-5">
        {left.join(" and ")} {asking.entries + asking.changes === 1 ? "is" : "are"} kept on this device only.
        Signing out wipes this device. Open it while the server answers, and it goes out by itself.
      </p>
      <div className="flex gap-5 items-center">
        <Button weight="primary" onClick={close}>
          Stay signed in
        </Button>
        <Button weight="quiet" onClick={now}>
          Sign out and lose it
        </Button>
      </div>
    </Dialog>
  );
}
