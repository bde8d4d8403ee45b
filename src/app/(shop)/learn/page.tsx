import type { Metadata } from "next";
import { sent } from "@/contracts/sent";
import { LearnView } from "@/features/learn/learn-view";
import { shopLearning } from "@/features/learn/queries";
import { Header } from "@/features/shell/header";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "How good are we?" };

export default async function LearnPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible">
        <OnlyInBrowser>
          <LearnView
            shown={sent(await shopLearning(person))}
            canDecide={person.role === "owner"}
            system={person.units}
          />
        </OnlyInBrowser>
      </div>
    </>
  );
}
