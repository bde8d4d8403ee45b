"use client";

import Link from "next/link";
import { useShopClock } from "./shop-clock";

/** The pours of a job by their days; none where there is only one. */
export function PoursNav({
  pours,
  current,
  href,
}: {
  pours: readonly { id: string; startedAt: string }[];
  current: string;
  /** Of the view that shows one. */
  href: string;
}) {
  const { say } = useShopClock();
  if (pours.length < 2) return null;
  return (
    <nav aria-label="Pours of this job" className="ml-auto flex gap-4">
      {pours.map(({ id, startedAt }) => (
        <Link
          key={id}
          href={`${href}?pour=${id}`}
          aria-current={id === current ? "page" : undefined}
          className={id === current ? "font-semibold" : "underline underline-offset-4 text-ink-soft"}
        >
          {say(startedAt, "d MMM")}
        </Link>
      ))}
    </nav>
  );
}
