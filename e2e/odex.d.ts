/** The ODE solver the tests hold the heat model against; its own source does not stand this project's checks. */
export class Solver {
  constructor(equations: number);
  absoluteTolerance: number;
  relativeTolerance: number;
  solve(
    slope: (x: number, y: number[]) => number[],
    from: number,
    start: number[],
    to: number,
  ): { y: number[] };
}
