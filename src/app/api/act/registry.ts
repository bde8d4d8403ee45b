import { benchActs } from "@/features/bench/actions";
import { cardActs } from "@/features/cards/actions";
import { colourActs } from "@/features/colours/actions";
import { jobActs } from "@/features/job/actions";
import { jobsActs } from "@/features/jobs/actions";
import { learnActs } from "@/features/learn/actions";
import { moneyActs } from "@/features/money/actions";
import { peopleActs } from "@/features/people/actions";
import { pourActs } from "@/features/pour/actions";
import { recipeActs } from "@/features/recipes/actions";
import { shelfActs } from "@/features/shelf/actions";
import { shopFileActs } from "@/features/shop-file/actions";
import { signInActs } from "@/features/sign-in/actions";
import { trialActs } from "@/features/trials/actions";
import type { Implemented } from "@/server/acts";

/** Every act of the app by its name: the one list that the route, and the tests across shops, go by. */
export const ACTS: ReadonlyMap<string, Implemented> = new Map(
  [
    ...signInActs,
    ...peopleActs,
    ...jobsActs,
    ...jobActs,
    ...benchActs,
    ...cardActs,
    ...colourActs,
    ...recipeActs,
    ...pourActs,
    ...learnActs,
    ...trialActs,
    ...shelfActs,
    ...moneyActs,
    ...shopFileActs,
  ].map((implemented) => [implemented.act.name, implemented]),
);
