/** A box in px of the page. */
export interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** A name that wants to stand at a point of a chart, px: over the middle of what it names, or starting there. */
export interface WantedLabel {
  text: string;
  x: number;
  y: number;
  align: 'middle' | 'start';
}

export type PlacedLabel = Box & { text: string };

/** Height of a line of text, and how far it stands from what it names, px. */
const LINE = 16;
const OFF = 6;
/** Air between two labels, px. */
const AIR = 4;

const overlap = (a: Box, b: Box): boolean =>
  a.left < b.left + b.width + AIR &&
  b.left < a.left + a.width + AIR &&
  a.top < b.top + b.height &&
  b.top < a.top + a.height;

/**
 * Places names in a chart so that none lies on another or beyond the area: each above what it names, else below, else further off; what finds no
 * place is left out, the words under the chart name all.
 * @param wanted those that go before the others first
 * @param measure width of a text, px
 */
export function placeLabels(
  wanted: readonly WantedLabel[],
  area: Box,
  measure: (text: string) => number,
): PlacedLabel[] {
  const placed: PlacedLabel[] = [];
  const [right, bottom] = [area.left + area.width, area.top + area.height];
  for (const { text, x, y, align } of wanted) {
    const width = measure(text);
    if (width > area.width || LINE > area.height) continue;
    const start = align === 'middle' ? x - width / 2 : x + AIR;
    const left = Math.max(area.left, Math.min(start, right - width));
    const tops = [y - OFF - LINE, y + OFF];
    for (let step = 1; step * LINE < area.height; step++)
      tops.push(y - OFF - LINE - step * LINE, y + OFF + step * LINE);
    const clamped = tops.map((top) => Math.max(area.top, Math.min(top, bottom - LINE)));
    const found = clamped
      .map((top): PlacedLabel => ({ text, left, top, width, height: LINE }))
      .find((label) => !placed.some((other) => overlap(label, other)));
    if (found) placed.push(found);
  }
  return placed;
}
