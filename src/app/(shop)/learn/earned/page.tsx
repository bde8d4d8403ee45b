import type { Metadata } from "next";
import { EarnedView } from "@/features/money/earned/earned-view";
import { shopEarned } from "@/features/money/earned/queries";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "What an hour brought" };

export default async function EarnedPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <EarnedView {...await shopEarned(person)} />
      </div>
    </>
  );
}
