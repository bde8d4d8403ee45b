import type { ReactNode } from "react";
import type { Person } from "@/contracts/people";
import { HEADER_LOOK, ShopNav, Wordmark } from "./shop-nav";
import { PersonMenu } from "./person-menu";

/** The head of every view: the word, where one is, and the person. */
export function Header({ person, children }: { person: Person; children?: ReactNode }) {
  return (
    <header className={HEADER_LOOK}>
      <Wordmark />
      <div className="flex-1 min-w-0 max-md:order-last max-md:basis-full">{children}</div>
      <ShopNav />
      <PersonMenu person={person} />
    </header>
  );
}
