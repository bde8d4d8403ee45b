import Link from "next/link";
import type { Person } from "@/contracts/people";
import { Header } from "./header";
import { PlainHeader } from "./shop-nav";

/** An address at which nothing is, or nothing any more. */
export function NothingHere({ person }: { person: Person | null }) {
  return (
    <>
      {person ? <Header person={person} /> : <PlainHeader />}
      <main className="flex-1 px-7 max-sm:px-4 py-10 max-w-2xl">
        <h1 className="heading text-2xl mb-2">Nothing is here.</h1>
        <p className="mb-5">
          The address is mistyped, or what was here was deleted. What was deleted lately stands at the foot of
          its list and can be brought back.
        </p>
        <Link href="/jobs" className="underline underline-offset-4">
          All jobs
        </Link>
      </main>
    </>
  );
}
