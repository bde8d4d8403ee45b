import { boardLooks, boardShare } from "@/core/inspect/photo/board-share";
import { judgePhoto } from "@/core/inspect/photo/judge-photo";
import type { Photo } from "@/core/inspect/photo/straighten";
import { answerCalls } from "./calls";

type FromBitmap<Of> = Omit<Of, "photo"> & { bitmap: ImageBitmap };

function photoOf(bitmap: ImageBitmap): Photo {
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const drawing = canvas.getContext("2d", { willReadFrequently: true });
  if (!drawing) throw new Error("This browser reads no pictures in the background.");
  drawing.drawImage(bitmap, 0, 0);
  const { data: pixels, width, height } = drawing.getImageData(0, 0, bitmap.width, bitmap.height);
  return { width, height, pixels };
}

const calls = {
  judge: ({ bitmap, ...asked }: FromBitmap<Parameters<typeof judgePhoto>[0]>) =>
    judgePhoto({ ...asked, photo: photoOf(bitmap) }),
  board: ({ bitmap, ...asked }: FromBitmap<Parameters<typeof boardShare>[0]>) =>
    boardShare({ ...asked, photo: photoOf(bitmap) }),
  looks: ({ bitmap, ...asked }: FromBitmap<Parameters<typeof boardLooks>[0]>) =>
    boardLooks({ ...asked, photo: photoOf(bitmap) }),
};
answerCalls(calls);
export type ReadPhotoCalls = typeof calls;
