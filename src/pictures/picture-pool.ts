import { pictureQueue, type PictureWorker } from "./picture-queue";

/** The workers that draw all pictures of this page. */
export const { askFor, askToKeep, callOff } = pictureQueue(
  () => new Worker(new URL("../workers/rehearse.worker.ts", import.meta.url)) as unknown as PictureWorker,
);
