import { z } from "zod";

/** What a thermometer and a hygrometer can say of a room. */
export const roomSaid = {
  tempC: z.number("Type the temperature.").min(-30, "No room is so cold.").max(60, "No room is so warm."),
  humidityPct: z.number().min(1, "From 1 %.").max(100, "Up to 100 %.").nullable(),
  /** Of what is coated, where a probe lies on it. */
  surfaceC: z.number().min(-30).max(100).nullable().optional(),
};
