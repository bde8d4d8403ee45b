import { readDxf } from "@/core/drawing-files/read-dxf";
import { readSvg } from "@/core/drawing-files/read-svg";
import { answerCalls } from "./calls";

/** A file to read: its name tells the kind. */
export type ReadRequest = { name: string; text: string; toleranceMm: number };

const calls = {
  read: ({ name, text, toleranceMm }: ReadRequest) =>
    /\.dxf$/i.test(name) ? readDxf(text, toleranceMm) : readSvg(text, toleranceMm),
};
answerCalls(calls);
export type DrawingCalls = typeof calls;
