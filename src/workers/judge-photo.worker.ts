import { judgePhoto } from "@/core/inspect/photo/judge-photo";
import { answerCalls } from "./calls";

type Asked = Omit<Parameters<typeof judgePhoto>[0], "photo"> & { bitmap: ImageBitmap };

const calls = {
  judge: ({ bitmap, ...asked }: Asked) => {
    const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
    const drawing = canvas.getContext("2d", { willReadFrequently: true });
    if (!drawing) throw new Error("This browser reads no pictures in the background.");
    drawing.drawImage(bitmap, 0, 0);
    const { data: pixels, width, height } = drawing.getImageData(0, 0, bitmap.width, bitmap.height);
    return judgePhoto({ ...asked, photo: { width, height, pixels } });
  },
};
answerCalls(calls);
export type JudgePhotoCalls = typeof calls;
