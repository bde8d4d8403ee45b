import type { ReactNode } from "react";
import type { Person } from "@/contracts/people";
import { HEADER_LOOK, ShopNav, Wordmark } from "./shop-nav";
import { PersonMenu } from "./person-menu";

/** The head of every view: the word, where one is, and the person. */
export function Header({ person, children }: { person: Person; children?: ReactNode }) {
  return (
    <header className={HEADER_LOOK}>
      <Wordmark />
      {/* Where there is little room, what one is at gets a line of its own. */}
      {children ? (
        <div className="flex-1 min-w-0 max-lg:order-last max-lg:basis-full">{children}</div>
      ) : (
        <span className="flex-1" />
      )}
      {children && <span className="flex-1 lg:hidden" />}
      <ShopNav />
      <PersonMenu person={person} />
    </header>
  );
}
