import { solveColour, type Proposal, type SolveFor } from "@/core/colour/solve";

export type SolveMessage = { progress: number } | { proposals: Proposal[] };

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<SolveFor>) => void) | null;
  postMessage: (message: SolveMessage) => void;
};

scope.onmessage = ({ data }) => {
  const proposals = solveColour(data, 6, (progress) => scope.postMessage({ progress }));
  scope.postMessage({ proposals });
};
