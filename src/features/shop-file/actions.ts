import { takeFileIn } from "@/contracts/shop-file";
import { implement } from "@/server/acts";
import { takeReceived } from "./queries";

export const shopFileActs = [
  implement(takeFileIn, (person, { token, choices }) => takeReceived(person, token, choices)),
];
