import type { Metadata } from "next";
import { sent } from "@/contracts/sent";
import { PourView } from "@/features/pour/pour-view";
import { KeepHere } from "@/offline/keep-here";
import { listPeople } from "@/features/people/queries";
import { openPour } from "@/features/pour/queries";
import { orNotFound } from "@/server/or-not-found";
import { OnlyInBrowser } from "@/ui/only-in-browser";
import { ShopClock } from "@/ui/shop-clock";
import { addressOf } from "@/server/instrument";
import { requirePerson } from "@/server/require-person";

type Props = { params: Promise<{ pourId: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const person = await requirePerson();
  const { jobName } = await orNotFound(openPour(person, (await params).pourId));
  return { title: `Pour: ${jobName}` };
}

export default async function PourPage({ params }: Props) {
  const person = await requirePerson();
  const pour = await orNotFound(openPour(person, (await params).pourId));
  const people = await listPeople(person);
  return (
    <OnlyInBrowser>
      <ShopClock zone={person.timeZone} style={person.clock}>
        <KeepHere
          since={Date.parse(pour.startedAt)}
          paths={[
            `/pours/${pour.id}`,
            "/bench",
            `/jobs/${pour.jobId}/cups`,
            `/jobs/${pour.jobId}/sheets/batch`,
            `/jobs/${pour.jobId}/sheets/run`,
          ]}
        />
        <PourView
          key={pour.id}
          shown={sent(pour)}
          system={person.units}
          has={{ scale: addressOf("scale") !== null, probe: addressOf("probe") !== null }}
          people={people.map(({ name }) => name)}
        />
      </ShopClock>
    </OnlyInBrowser>
  );
}
