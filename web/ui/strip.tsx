import { Box, ButtonBase, Typography } from '@mui/material';
import { useLayoutEffect, useRef, useState, type RefObject } from 'react';
import type { Direction } from '@kymar/core/catalog/links';
import { blockWords, isNarrow, type Segment, type Path } from '@kymar/core/assembly';
import type { Place } from '@kymar/core/job';
import { passSaid } from '@kymar/core/statements';
import { format } from '@kymar/core/units';
import { NARROW } from './narrow';
import { nameOfSegment } from './segment';
import { Told } from './told';

interface Props {
  place: Place;
  path: Path;
  direction: Direction;
  /** Average measured flow in B/s, laid into the channel. */
  measured?: number | null;
  onSegment?(segment: Segment, anchor: HTMLElement): void;
  /** Height of the widest stretch in px. */
  height?: number;
}

/** Left out on a phone, where the picture and the numbers must do. */
const wideOnly = { [NARROW]: { display: 'none' } };

/** Follows an element's width. */
function useWidth(): [RefObject<HTMLDivElement | null>, number] {
  const ref = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(1100);
  useLayoutEffect(() => {
    if (!ref.current) return;
    setWidth(ref.current.clientWidth);
    const observer = new ResizeObserver(([entry]) => entry && setWidth(entry.contentRect.width));
    observer.observe(ref.current);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}

/** Outline of a channel of these heights: level at each segment, smooth between. */
function outline(heights: readonly number[], width: number, middle: number): string {
  const column = width / heights.length;
  const bend = column * 0.22;
  const side = (sign: 1 | -1, order: readonly number[]) =>
    order
      .map((i, k) => {
        const y = middle + (sign * heights[i]!) / 2;
        const [near, far] = sign === -1 ? [i * column, (i + 1) * column] : [(i + 1) * column, i * column];
        const inner = sign === -1 ? bend : -bend;
        const enter = i === (sign === -1 ? 0 : heights.length - 1) ? near : near + inner;
        const leave = i === (sign === -1 ? heights.length - 1 : 0) ? far : far - inner;
        const next = order[k + 1];
        const turn =
          next === undefined
            ? ''
            : ` C ${far} ${y}, ${far} ${middle + (sign * heights[next]!) / 2}, ${far + inner} ${middle + (sign * heights[next]!) / 2}`;
        return `${k === 0 ? (sign === -1 ? 'M' : 'L') : 'L'} ${enter} ${y} L ${leave} ${y}${turn}`;
      })
      .join(' ');
  const order = heights.map((_, i) => i);
  return `${side(-1, order)} ${side(1, [...order].reverse())} Z`;
}

/** The path strip: the chain as a channel, each segment as high as what it can pass, the flow inside, the narrowest marked. */
export function PathStrip({ place, path, direction, measured = null, onSegment, height = 62 }: Props) {
  const [ref, width] = useWidth();
  const { segments, flow, bottleneck, blocked } = path;
  const through = flow?.[direction].expected ?? 0;
  const peak = Math.max(through, measured ?? 0, ...segments.map((j) => j.alone[direction] ?? 0), 1);
  const scale = (rate: number) => (rate <= 0 ? 0 : Math.max(3, (rate / peak) * height));
  const middle = height / 2 + 6;
  const column = width / segments.length;
  const narrow = segments.map((j) =>
    blocked.length > 0 ? j.alone[direction] === 0 : isNarrow(j, bottleneck![direction]),
  );
  const color = (i: number) => (narrow[i] ? 'var(--mui-palette-narrow)' : 'text.primary');
  const heights = segments.map((j) => scale(j.alone[direction] ?? through));
  return (
    <Box ref={ref} sx={{ width: '100%', position: 'relative' }}>
      <Box
        sx={{ display: 'grid', gridTemplateColumns: `repeat(${segments.length}, minmax(0, 1fr))`, mb: 0.25 }}
      >
        {segments.map((segment, i) => (
          <Typography
            key={segment.id}
            variant="body2"
            noWrap
            sx={{ px: { xs: 0.25, sm: 1 }, textAlign: 'center', fontWeight: 600, color: color(i) }}
            title={segment.part}
          >
            <Box
              component="span"
              sx={{ color: 'text.secondary', fontWeight: 400, fontSize: '0.78125rem', mr: { sm: 0.75 } }}
            >
              {nameOfSegment(segment)}
            </Box>
            <Box component="span" sx={wideOnly}>
              {segment.part}
            </Box>
          </Typography>
        ))}
      </Box>
      <Box sx={{ position: 'relative' }}>
        <svg
          width={width}
          height={height + 12}
          role="img"
          aria-label={describe(path, direction, measured)}
          style={{ display: 'block' }}
        >
          <path
            d={outline(heights, width, middle)}
            fill="var(--mui-palette-channel)"
            style={{ transition: 'd 220ms ease-out' }}
          />
          {through > 0 && (
            <path
              d={outline(
                segments.map(() => scale(through)),
                width,
                middle,
              )}
              fill="var(--mui-palette-flow)"
              opacity={measured ? 0.55 : 0.9}
              style={{ transition: 'd 220ms ease-out' }}
            />
          )}
          {measured !== null && measured > 0 && (
            <g stroke="var(--mui-palette-measured)" strokeWidth={2}>
              <line x1={0} x2={width} y1={middle - scale(measured) / 2} y2={middle - scale(measured) / 2} />
              <line x1={0} x2={width} y1={middle + scale(measured) / 2} y2={middle + scale(measured) / 2} />
            </g>
          )}
          <g stroke="var(--mui-palette-narrow)" strokeWidth={3} strokeLinecap="round">
            {segments.flatMap((segment, i) =>
              narrow[i]
                ? [-1, 1].map((sign) => {
                    const y = middle + sign * (Math.max(heights[i]!, 4) / 2 + 3.5);
                    return (
                      <line
                        key={`${segment.id}${sign}`}
                        x1={(i + 0.24) * column}
                        x2={(i + 0.76) * column}
                        y1={y}
                        y2={y}
                      />
                    );
                  })
                : [],
            )}
          </g>
        </svg>
        {onSegment &&
          segments.map((segment, i) => (
            <ButtonBase
              key={segment.id}
              // What only works on the drive has no other end to choose.
              disabled={segment.endsAtHost ?? false}
              aria-label={`Change ${nameOfSegment(segment).toLowerCase()}: ${segment.part}`}
              onClick={(event) => onSegment(segment, event.currentTarget)}
              sx={{
                position: 'absolute',
                top: 0,
                bottom: 0,
                left: `${(100 * i) / segments.length}%`,
                width: `${100 / segments.length}%`,
                borderRadius: 1,
                '&:hover': { boxShadow: 'inset 0 0 0 1px var(--mui-palette-flow)' },
              }}
            />
          ))}
      </Box>
      <Box
        sx={{ display: 'grid', gridTemplateColumns: `repeat(${segments.length}, minmax(0, 1fr))`, mt: 0.25 }}
      >
        {segments.map((segment, i) => {
          const [rate, alone] = [segment.passes[direction], segment.alone[direction]];
          const could = alone > rate * 1.02 ? `, could ${format(alone, 'B/s')}` : '';
          return (
            <Typography
              key={segment.id}
              variant="body2"
              noWrap
              title={`${segment.detail}${could}`}
              sx={{
                px: { xs: 0.25, sm: 1 },
                fontSize: { xs: '0.78125rem', sm: '0.875rem' },
                textAlign: 'center',
                fontWeight: narrow[i] ? 700 : 600,
                color: color(i),
              }}
            >
              <Told of={passSaid(place, segment, direction).passes} />
              <Box
                component="span"
                sx={{
                  ...wideOnly,
                  color: 'text.secondary',
                  fontWeight: 400,
                  fontSize: '0.78125rem',
                  ml: 0.75,
                }}
              >
                {segment.detail}
                {could}
              </Box>
            </Typography>
          );
        })}
      </Box>
    </Box>
  );
}

function describe(
  { segments, flow, bottleneck, blocked }: Path,
  direction: Direction,
  measured: number | null,
): string {
  if (blocked.length > 0) return `Path blocked: ${blocked.map(blockWords).join('; ')}`;
  const narrowest = segments.filter((j) => isNarrow(j, bottleneck![direction])).map((j) => j.part);
  return (
    `${direction === 'read' ? 'Reading' : 'Writing'} over ${segments.map((j) => j.part).join(', ')}: ` +
    `${format(flow![direction].expected, 'B/s')} expected, narrowest at ${narrowest.join(', ')}${measured ? `, measured ${format(measured, 'B/s')}` : ''}`
  );
}

/** The channel alone, small and without words: a job at a glance. */
export function MiniStrip({ path, direction }: { path: Path; direction: Direction }) {
  const [width, height] = [260, 34];
  const through = path.flow?.[direction].expected ?? 0;
  const rates = path.segments.map((j) => j.alone[direction] ?? through);
  const peak = Math.max(1, ...rates);
  const scale = (rate: number) => (rate <= 0 ? 0 : Math.max(2, (rate / peak) * height));
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      height={height}
      preserveAspectRatio="none"
      aria-hidden
      style={{ display: 'block' }}
    >
      <path d={outline(rates.map(scale), width, height / 2)} fill="var(--mui-palette-channel)" />
      {through > 0 && (
        <path
          d={outline(
            rates.map(() => scale(through)),
            width,
            height / 2,
          )}
          fill="var(--mui-palette-flow)"
        />
      )}
    </svg>
  );
}
