"use client";

import Link from "next/link";
import { useParams, usePathname } from "next/navigation";

const PARTS = [
  { slug: "", words: "The pour" },
  { slug: "/practice", words: "Practice" },
  { slug: "/veins", words: "Vein map" },
  { slug: "/client", words: "For the client" },
];

/** The four ways in which a pour is rehearsed. */
export function RehearseNav() {
  const { jobId } = useParams<{ jobId: string }>();
  const path = usePathname();
  return (
    <nav aria-label="Rehearse" className="flex gap-4">
      {PARTS.map(({ slug, words }) => {
        const href = `/jobs/${jobId}/rehearse${slug}`;
        const current = path === href;
        return (
          <Link
            key={slug}
            href={href}
            aria-current={current ? "page" : undefined}
            className={`py-0.5 border-b-2 ${current ? "border-ink font-semibold" : "border-transparent text-ink-soft hover:border-line-strong"}`}
          >
            {words}
          </Link>
        );
      })}
    </nav>
  );
}
