import type { ReactNode } from "react";
import { BenchLine } from "@/features/bench-line/bench-line";
import { wetNow } from "@/features/bench-line/queries";
import { AwayLine } from "@/features/kept/away-line";
import { SendWaiting } from "@/features/pour/send-waiting";
import { FilesComing } from "@/ui/files-coming";
import { ShopClock } from "@/ui/shop-clock";
import { requirePerson } from "@/server/require-person";

export default async function ShopLayout({ children }: { children: ReactNode }) {
  const person = await requirePerson();
  const shownAt = new Date().toISOString();
  return (
    <ShopClock zone={person.timeZone} style={person.clock}>
      <div className="h-dvh flex flex-col print:h-auto print:block max-lg:h-auto max-lg:min-h-dvh">
        <SendWaiting />
        <AwayLine shownAt={shownAt} />
        {children}
        <FilesComing />
        <BenchLine wet={await wetNow(person)} units={person.units} shownAt={shownAt} />
      </div>
    </ShopClock>
  );
}
