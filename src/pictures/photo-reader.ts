import { workerClient } from "@/workers/client";
import type { ReadPhotoCalls } from "@/workers/read-photo.worker";

/** Reads photos in the background; nothing is sent anywhere. */
export const photoReader = workerClient<ReadPhotoCalls>(
  () => new Worker(new URL("../workers/read-photo.worker.ts", import.meta.url)),
);
