import Link from "next/link";
import type { ShopAnswer } from "@/workers/plan-shop.worker";
import { useShopClock } from "@/ui/shop-clock";

/** What asks for no act: pieces that can be touched by now, and pours of which nothing was heard for a week. */
export function Beside({ shop: { laid, leftOpen }, nowMin }: { shop: ShopAnswer; nowMin: number }) {
  const { say } = useShopClock();
  const ready = laid.filter(({ stage, lies }) => stage === "curing" && lies.toMin <= nowMin);
  return (
    <>
      {ready.length > 0 && (
        <p className="mt-4 text-sm">
          <span className="text-ink-soft">Can be sanded and moved: </span>
          {ready.map(({ id, jobId, name }, index) => (
            <span key={id}>
              {index > 0 && ", "}
              <Link href={`/jobs/${jobId}/log`} className="underline underline-offset-4">
                {name}
              </Link>
            </span>
          ))}
        </p>
      )}
      {leftOpen.length > 0 && (
        <p className="mt-4 text-sm text-ink-soft">
          Left open:{" "}
          {leftOpen.map(({ pourId, jobName, startedAt }, index) => (
            <span key={pourId}>
              {index > 0 && ", "}
              <Link href={`/pours/${pourId}`} className="underline underline-offset-4">
                {jobName}, begun {say(startedAt, "d MMM")}
              </Link>
            </span>
          ))}
          . Finish {leftOpen.length === 1 ? "it" : "them"}, so that the log is whole.
        </p>
      )}
    </>
  );
}
