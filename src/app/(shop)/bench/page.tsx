import type { Metadata } from "next";
import { Suspense } from "react";
import { sent } from "@/contracts/sent";
import { BenchView } from "@/features/bench/bench-view";
import { openBench } from "@/features/bench/queries";
import { ShortOnShelf } from "@/features/shelf/short-on-shelf";
import { Header } from "@/features/shell/header";
import { addressOf } from "@/server/instrument";
import { requirePerson } from "@/server/require-person";
import { OnlyInBrowser } from "@/ui/only-in-browser";

export const metadata: Metadata = { title: "Bench" };

export default async function BenchPage() {
  const person = await requirePerson();
  return (
    <>
      <Header person={person} />
      <div className="flex-1 overflow-y-auto max-lg:overflow-visible flex flex-col">
        <OnlyInBrowser>
          <BenchView
            shown={sent(await openBench(person))}
            system={person.units}
            hasProbe={addressOf("probe") !== null}
            short={
              <Suspense>
                <ShortOnShelf person={person} />
              </Suspense>
            }
          />
        </OnlyInBrowser>
      </div>
    </>
  );
}
