import type { Metadata } from "next";
import { sent } from "@/contracts/sent";
import { PourView } from "@/features/pour/pour-view";
import { openPour } from "@/features/pour/queries";
import { orNotFound } from "@/server/or-not-found";
import { OnlyInBrowser } from "@/ui/only-in-browser";
import { ShopClock } from "@/ui/shop-clock";
import { addressOf } from "@/server/instrument";
import { requirePerson } from "@/server/require-person";

export const metadata: Metadata = { title: "Pour" };

export default async function PourPage({ params }: { params: Promise<{ pourId: string }> }) {
  const person = await requirePerson();
  const pour = await orNotFound(openPour(person, (await params).pourId));
  return (
    <OnlyInBrowser>
      <ShopClock zone={person.timeZone} style={person.clock}>
        <PourView
          key={pour.id}
          shown={sent(pour)}
          system={person.units}
          hasScale={addressOf("scale") !== null}
        />
      </ShopClock>
    </OnlyInBrowser>
  );
}
