/** What the tests use of it; its own TypeScript is older than our rules. */
export class Solver {
  constructor(equations: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  maxSteps: number;
  solve(
    slopes: (x: number, y: number[]) => number[],
    x: number,
    start: number[],
    xEnd: number,
  ): { y: number[]; xEnd: number };
}
