/** The ODE solver the tests hold the heat model against: it brings no types of its own. */
declare module 'odex' {
  export class Solver {
    constructor(equations: number);
    absoluteTolerance: number;
    relativeTolerance: number;
    solve(slope: (x: number, y: number[]) => number[], from: number, start: number[], to: number): { y: number[] };
  }
}
