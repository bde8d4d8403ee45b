import type { Person } from "@/contracts/people";
import { aside, asideTask } from "@/server/aside";
import { database } from "@/server/database";
import { poursOf } from "@/server/repositories/pours";
import type { PourToShow, WetNow } from "./wet-now";

const wetNowTask = asideTask<PourToShow, WetNow | null>("wet-now");

/** What is wet now in the shop: of each live pour the coat that was mixed last. A pour that cannot be worked out leaves the others alone. */
export async function wetNow(person: Person): Promise<WetNow[]> {
  const { pours } = await poursOf(database(), person).live();
  // Before a first entry nothing is wet.
  const begun = pours.filter((pour) => pour.events.length > 0);
  const wet = await Promise.all(
    begun.map((pour) =>
      aside(person, wetNowTask, { pour, units: person.units }).catch((failure: unknown) => {
        console.error(`Pour ${pour.id} cannot be worked out:`, failure);
        return null;
      }),
    ),
  );
  return wet.filter((one) => one !== null);
}
