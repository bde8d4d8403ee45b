import type { FittedResin } from "@/core/cure/fitted-resin";
import type { Room } from "@/core/cure/room";
import { findStarts } from "@/core/schedule/find-starts";
import { beside, type Neighbour, type ShopJob, type ShopMeans } from "@/core/schedule/shop-days";
import { planDays } from "@/core/schedule/plan-days";
import type { Settings, WindowCoat } from "@/core/schedule/coat-windows";
import { answerCalls } from "./calls";
import { keeper } from "./keep";

/** A job among the other work of the shop; null where it has no day. */
export type Among = { job: ShopJob; others: readonly Neighbour[]; means: ShopMeans };

/** Lives of films are kept for a resin in a room: those that came before are taken again. */
const keepResin = keeper<FittedResin>(12);
const keepRoom = keeper<Room>(6);
const known = (coats: readonly WindowCoat[]) =>
  coats.map((coat) => ({ ...coat, resin: keepResin(coat.resin) }));
const inRoom = (settings: Settings): Settings => ({ ...settings, room: keepRoom(settings.room) });

const calls = {
  plan: (given: { coats: WindowCoat[]; settings: Settings; startMin: number }) =>
    planDays(known(given.coats), given.startMin, inRoom(given.settings)),
  starts: (given: { coats: WindowCoat[]; settings: Settings; among: Among | null }) => {
    const { among } = given;
    const room = among && beside(among.job, among.others, among.means);
    const settings = inRoom({ ...given.settings, ...room?.settings });
    return findStarts(known(given.coats), settings, 3, room?.alsoFound);
  },
};
answerCalls(calls);
export type DaysCalls = typeof calls;
