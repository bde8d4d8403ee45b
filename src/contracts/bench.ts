import { z } from "zod";
import { MOST_TEETH } from "@/core/inspect/combs";
import type { ResinCard } from "@/core/cure/resin-card";
import { USUAL_HOURS } from "@/core/schedule/hours";
import type { DatedJob } from "@/core/shop/shop";
import { act } from "./act";
import { hoursSchema } from "./job-document";
import { roomSaid } from "./room";
import type { UnreadableJob } from "./jobs";
import type { Pour, PourHead } from "./pours";
import { rowId, timeZone } from "./text";

/** What the shop has, and when it works. Lengths and spindles are null where they are not counted. */
export const benchSettings = z.object({
  hands: z.number().int("A whole number of people.").min(1, "At least one person.").max(20, "At most 20."),
  hours: hoursSchema,
  benchMm: z.number().min(100, "A bench is longer than that.").max(200_000, "At most 200 m.").nullable(),
  spindles: z.number().int("A whole number of spindles.").min(0).max(200, "At most 200.").nullable(),
  /** Height of the faces that the shop's tops usually have; null: 38 mm. */
  faceMm: z
    .number()
    .min(1, "A face is higher than that.")
    .max(500, "At most 500 mm.")
    .nullable()
    .default(null),
  /** How wide a board its planer takes; null where it has none. */
  planerMm: z
    .number()
    .min(50, "A planer is wider than that.")
    .max(3000, "At most 3 m.")
    .nullable()
    .default(null),
  /** Teeth of its wet-film comb, mm, rising; null: those that are usual. */
  combMm: z
    .array(z.number().min(0.01, "A tooth is longer than that.").max(20, "At most 20 mm."))
    .max(MOST_TEETH, `At most ${MOST_TEETH} teeth.`)
    .refine((teeth) => teeth.every((tooth, at) => at === 0 || tooth > (teeth[at - 1] ?? 0)), {
      message: "Teeth rise from one to the next.",
    })
    .nullable()
    .default(null),
  /** Of the clock on the wall; null where none was chosen: then each machine's own. */
  timeZone: timeZone.nullable().default(null),
});
export type BenchSettings = z.infer<typeof benchSettings>;

export const USUAL_BENCH: BenchSettings = {
  hands: 1,
  hours: USUAL_HOURS,
  benchMm: null,
  spindles: null,
  faceMm: null,
  planerMm: null,
  combMm: null,
  timeZone: null,
};

/** What the thermometer on the wall said. Append-only; the id is the client's, so that sending twice does no harm. */
export const roomReading = z.object({
  id: rowId,
  at: z.iso.datetime(),
  ...roomSaid,
  /** Read by the probe at the server, not by a person. */
  byProbe: z.literal(true).optional(),
});
export type RoomReading = Omit<z.infer<typeof roomReading>, "byProbe" | "surfaceC"> & { readBy: string };

/** All that the bench shows, as it was when it was asked for. */
export type Bench = {
  settings: BenchSettings;
  /** The latest reading of the room. */
  reading: RoomReading | null;
  /** What is live, and what was finished in the last days. */
  pours: Pour[];
  jobs: DatedJob[];
  cards: ResinCard[];
  /** What this program cannot read any more; it is kept. */
  unreadable: { jobs: UnreadableJob[]; pours: PourHead[] };
  /** How many more there are than are looked at together. */
  more: { jobs: number; pours: number };
};

export const setBench = act<null>()("bench.set", "person", z.object({ settings: benchSettings }));
export const readRoom = act<null>()("bench.read-room", "person", z.object({ reading: roomReading }));
