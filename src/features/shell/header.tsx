import Link from "next/link";
import type { ReactNode } from "react";
import type { Person } from "@/contracts/people";
import { PersonMenu } from "./person-menu";

/** The head of every view: the word, where one is, and the person. */
export function Header({ person, children }: { person: Person; children?: ReactNode }) {
  return (
    <header className="off-paper border-b border-line px-7 h-12 flex items-center gap-6 max-md:h-auto max-md:flex-wrap max-md:gap-x-4 max-md:gap-y-1 max-md:py-1.5 max-md:px-4">
      <Link prefetch={false} href="/bench" className="heading text-lg" style={{ fontStretch: "118%" }}>
        Gaugebeam
      </Link>
      <div className="flex-1 min-w-0 max-md:order-last max-md:basis-full">{children}</div>
      <nav aria-label="Shop" className="flex gap-5 text-sm">
        <Link prefetch={false} href="/bench" className="hover:underline underline-offset-4">
          Bench
        </Link>
        <Link prefetch={false} href="/jobs" className="hover:underline underline-offset-4">
          Jobs
        </Link>
        <Link prefetch={false} href="/cards" className="hover:underline underline-offset-4">
          Resins
        </Link>
        <Link prefetch={false} href="/recipes" className="hover:underline underline-offset-4">
          Recipes
        </Link>
        <Link prefetch={false} href="/colours" className="hover:underline underline-offset-4">
          Colours
        </Link>
      </nav>
      <PersonMenu person={person} />
    </header>
  );
}
