/** The operations a formula may use. One formula runs over plain numbers when bare and over words when it must explain itself. */
export interface Algebra<T> {
  num(value: number): T;
  add(a: T, b: T): T;
  sub(a: T, b: T): T;
  mul(a: T, b: T): T;
  div(a: T, b: T): T;
  min(...all: T[]): T;
  max(...all: T[]): T;
}

/** Plain numbers: what bulk forecasts run on. */
export const plain: Algebra<number> = {
  num: (value) => value,
  add: (a, b) => a + b,
  sub: (a, b) => a - b,
  mul: (a, b) => a * b,
  div: (a, b) => a / b,
  min: Math.min,
  max: Math.max,
};

/** A piece of a written formula; the higher the rank, the tighter it binds. */
export interface Words {
  text: string;
  rank: number;
}

const SUM = 1;
const PRODUCT = 2;
const ATOM = 3;

export const word = (text: string): Words => ({ text, rank: ATOM });
const inside = (w: Words, rank: number): string => (w.rank < rank ? `(${w.text})` : w.text);

/** Words: the recorder. A right operand of − or ÷ is bracketed when it binds no tighter. */
export const written: Algebra<Words> = {
  num: (value) => word(String(value)),
  add: (a, b) => ({ text: `${inside(a, SUM)} + ${inside(b, SUM)}`, rank: SUM }),
  sub: (a, b) => ({ text: `${inside(a, SUM)} − ${inside(b, PRODUCT)}`, rank: SUM }),
  mul: (a, b) => ({ text: `${inside(a, PRODUCT)} × ${inside(b, PRODUCT)}`, rank: PRODUCT }),
  div: (a, b) => ({ text: `${inside(a, PRODUCT)} ÷ ${inside(b, ATOM)}`, rank: PRODUCT }),
  min: (...all) => word(`least of (${all.map((w) => w.text).join('; ')})`),
  max: (...all) => word(`greatest of (${all.map((w) => w.text).join('; ')})`),
};
