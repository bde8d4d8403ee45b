import { solveColour, type SolveFor } from "@/core/colour/solve";
import { answerCalls } from "./calls";

const calls = answerCalls({
  solve: (question: SolveFor, tell: (share: number) => void) => solveColour(question, 6, tell),
});
export type SolveCalls = typeof calls;
