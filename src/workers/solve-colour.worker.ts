import { solveColour, type SolveFor } from "@/core/colour/solve";
import { answerCalls } from "./calls";

const calls = {
  solve: (question: SolveFor, tell: (share: number) => void) => solveColour(question, 6, tell),
};
answerCalls(calls);
export type SolveCalls = typeof calls;
