/**
 * Lower triangle L of a positive definite matrix, so that L·Lᵀ is the matrix.
 * @param of symmetric, row by row; only its lower triangle is read
 * @throws RangeError where it is not positive definite
 * @example cholesky([[4, 2], [2, 10]]) // [[2], [1, 3]]
 */
export function cholesky(of: readonly (readonly number[])[]): number[][] {
  const lower: number[][] = [];
  of.forEach((row, i) => {
    const made: number[] = [];
    for (let j = 0; j <= i; j++) {
      let left = row[j]!;
      for (let k = 0; k < j; k++) left -= made[k]! * (j === i ? made[k]! : lower[j]![k]!);
      if (j === i && !(left > 0)) throw new RangeError('The matrix is not positive definite.');
      made.push(j === i ? Math.sqrt(left) : left / lower[j]![j]!);
    }
    lower.push(made);
  });
  return lower;
}

/** x of L·x = v, for a lower triangle. @example forward([[2], [1, 3]], (i) => [4, 8][i]) // [2, 2] */
export function forward(lower: readonly (readonly number[])[], v: (i: number) => number): number[] {
  const x: number[] = [];
  lower.forEach((row, i) => {
    let left = v(i);
    for (let j = 0; j < i; j++) left -= row[j]! * x[j]!;
    x.push(left / row[i]!);
  });
  return x;
}
