import { serverNowMs } from "@/contracts/server-now";
import { addLot, placeWeighed, putItem, removeItem, tellStock } from "@/contracts/shelf";
import { implement } from "@/server/acts";
import { database } from "@/server/database";
import { shelfOf } from "@/server/repositories/shelf";

const now = () => new Date(serverNowMs());

export const shelfActs = [
  implement(putItem, async (person, { id, fields }) => {
    await shelfOf(database(), person).putItem(id, fields, now());
    return null;
  }),
  implement(removeItem, async (person, { itemId, removed }) => {
    await shelfOf(database(), person).removeItem(itemId, removed, now());
    return null;
  }),
  implement(addLot, (person, { id, itemId, facts, came }) =>
    shelfOf(database(), person).addLot(id, itemId, facts, came, now()),
  ),
  implement(tellStock, async (person, { id, lotId, said }) => {
    await shelfOf(database(), person).tell(id, lotId, said, now());
    return null;
  }),
  implement(placeWeighed, async (person, { lotId, from }) => {
    await shelfOf(database(), person).place(lotId, from);
    return null;
  }),
];
