import { setNightly, takeFileIn } from "@/contracts/shop-file";
import { implement } from "@/server/acts";
import { setNightlyHour } from "@/server/nightly";
import { takeReceived } from "./queries";

export const shopFileActs = [
  implement(takeFileIn, (person, { token, choices }) => takeReceived(person, token, choices)),
  implement(setNightly, async (_person, { at }) => {
    await setNightlyHour(at);
    return null;
  }),
];
