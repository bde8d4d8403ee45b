"use client";

import { useEffect, useState } from "react";
import { callAct } from "@/contracts/call-act";
import { listApproved, type ApprovedPicture } from "@/contracts/rehearsals";
import { ShopPicture } from "@/ui/shop-picture";
import { useShopClock } from "@/ui/shop-clock";

/** Pictures of the rehearsal that a client approved of a version. */
export function ApprovedPictures({ versionId }: { versionId: string }) {
  const { say } = useShopClock();
  const [approved, setApproved] = useState<{ versionId: string; list: ApprovedPicture[] } | null>(null);
  useEffect(() => {
    let wanted = true;
    void callAct(listApproved, { versionId }).then(
      (result) => wanted && result.ok && setApproved({ versionId, list: result.value }),
    );
    return () => {
      wanted = false;
    };
  }, [versionId]);
  const list = approved?.versionId === versionId ? approved.list : [];
  if (list.length === 0) return null;
  return (
    <section aria-label="Approved pictures" className="mt-6">
      <h3 className="heading border-b border-ink pb-1 mb-3">Pictures that were approved</h3>
      <ul className="flex flex-wrap gap-5">
        {list.map(({ id, pictureId, words, approvedAt, approvedBy }) => (
          <li key={id} className="w-60">
            <a
              href={`/pictures/${pictureId}`}
              target="_blank"
              rel="noreferrer"
              className="block h-40 border border-line-strong"
            >
              <ShopPicture
                pictureId={pictureId}
                alt={words}
                small
                className="size-full object-contain bg-white"
              />
            </a>
            <span className="text-sm">{words}</span>
            <span className="label block">
              {say(approvedAt, "d MMM yyyy")}, kept by {approvedBy}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
