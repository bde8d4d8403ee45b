import { z } from "zod";

/** How a colourant is measured out: by the gram, the drop or the level spoon. */
export const doseMeasure = z.discriminatedUnion("unit", [
  z.object({ unit: z.literal("gram") }),
  z.object({
    unit: z.literal("drop"),
    dropMl: z.number().min(0.005).max(1),
    densityGPerMl: z.number().min(0.3).max(5),
  }),
  z.object({ unit: z.literal("spoon"), gramsPerSpoon: z.number().min(0.005).max(50) }),
]);
