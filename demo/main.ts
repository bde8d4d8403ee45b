import { database } from "@/server/database";
import { loadDemo } from "./load";
import { DEMO_PASSWORD, DEMO_PEOPLE } from "./shop";

/** The hour at which the demo stands; set for pictures, otherwise now. */
const now = process.env["GAUGEBEAM_DEMO_NOW"];

loadDemo(now ? new Date(now) : new Date())
  .then((loaded) => {
    if (loaded) console.log("The demo shop is loaded.");
    for (const person of DEMO_PEOPLE) console.log(`  ${person.role}: ${person.email}  ${DEMO_PASSWORD}`);
  })
  .finally(() => database().sequelize.close());
