import { readShelf, type ReadShelf } from "./read-shelf";

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<string>) => void) | null;
  postMessage: (message: ReadShelf) => void;
};

scope.onmessage = ({ data }) => scope.postMessage(readShelf(data));
