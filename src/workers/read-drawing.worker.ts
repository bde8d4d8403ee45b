import { readDxf } from "@/core/drawing-files/read-dxf";
import { readSvg } from "@/core/drawing-files/read-svg";

/** A file to read: its name tells the kind. */
export type ReadRequest = { name: string; text: string; toleranceMm: number };

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<ReadRequest>) => void) | null;
  postMessage: (message: unknown) => void;
};

scope.onmessage = ({ data: { name, text, toleranceMm } }) => {
  scope.postMessage(/\.dxf$/i.test(name) ? readDxf(text, toleranceMm) : readSvg(text, toleranceMm));
};
