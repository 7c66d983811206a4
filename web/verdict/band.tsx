import { Box } from '@mui/material';
import { type Spread } from '@kymar/core/stats';
import { targetSaid, heldSaid, measuredSaid } from '@kymar/core/statements';
import { measuredInterval } from '@kymar/core/measure';
import { format, formatRange } from '@kymar/core/units';
import type { Claim } from '@kymar/core/verdict';
import { Told } from '../ui/told';

/** Shares of the width: a label fits beside a mark that far from the edge, and two at the ends of a band that wide. */
const [EDGE, BOTH_ENDS] = [0.18, 0.36];

/** Forecast band with the measured interval on it, on one scale; the target as a mark where there is one. */
export function Band({
  claim,
  forecast,
  measured,
  target,
  unit,
}: {
  claim: Claim;
  forecast: Spread | null;
  measured: Spread;
  target: number | null;
  unit: 's' | 'B/s';
}) {
  const [came, held] = [measuredSaid(claim), heldSaid(claim)];
  const values = [
    forecast?.low,
    forecast?.high,
    measured.low,
    Number.isFinite(measured.high) ? measured.high : measured.low * 2,
    target ?? undefined,
  ].filter((v): v is number => v !== undefined);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  const margin = Math.max((most - least) * 0.12, most * 0.02);
  // With nothing to compare, the scale starts at zero, so that the interval's width means something.
  const [from, to] = [forecast ? Math.max(0, least - margin) : 0, most + margin];
  const share = (v: number) => (Math.min(Math.max(v, from), to) - from) / (to - from);
  const x = (v: number) => `${100 * share(v)}%`;
  const width = (a: number, b: number) => `${(100 * (Math.min(b, to) - Math.max(a, from))) / (to - from)}%`;
  /** Of a narrow band both ends in one label, on the side where there is room. */
  const besides = ({ low, high }: Spread) =>
    share(low) < 0.6 ? ({ at: x(low), end: 'start' } as const) : ({ at: x(high), end: 'end' } as const);
  /** Before or behind its mark, and never over the edge. */
  const beyond = (mark: number, isBefore: boolean) => {
    const isCut = isBefore ? share(mark) < EDGE : share(mark) > 1 - EDGE;
    if (isBefore)
      return isCut ? ({ at: '0%', end: 'start' } as const) : ({ at: x(mark), end: 'end' } as const);
    return isCut ? ({ at: '100%', end: 'end' } as const) : ({ at: x(mark), end: 'start' } as const);
  };
  const isLate = target !== null && measured.expected >= target;
  const isClose = target !== null && Math.abs(share(measured.expected) - share(target)) < EDGE;
  const words =
    `${forecast ? `forecast ${formatRange(forecast, unit)}, ` : ''}measured ` +
    `${measuredInterval(measured, unit)}${target === null ? '' : `, target ${format(target, unit)}`}`;
  return (
    <Box
      role="img"
      aria-label={words}
      sx={{ position: 'relative', height: 62, my: 1, fontSize: '0.78rem', fontStretch: '94%' }}
    >
      <Box sx={{ position: 'absolute', left: 0, right: 0, top: 30, height: 1.5, bgcolor: 'divider' }} />
      {forecast && (
        <>
          <Box
            sx={{
              position: 'absolute',
              top: 20,
              height: 22,
              left: x(forecast.low),
              width: width(forecast.low, forecast.high),
              bgcolor: 'var(--mui-palette-channel)',
              borderRadius: 0.5,
            }}
          />
          <Box
            sx={{
              position: 'absolute',
              top: 16,
              height: 30,
              left: x(forecast.expected),
              width: 2,
              bgcolor: 'var(--mui-palette-flow)',
            }}
          />
          {share(forecast.high) - share(forecast.low) < BOTH_ENDS ? (
            <Label {...besides(forecast)} top={44} color="text.secondary">
              forecast <Told of={held.low} /> to <Told of={held.high} />
            </Label>
          ) : (
            <>
              <Label at={x(forecast.low)} top={44} end="start" color="text.secondary">
                forecast <Told of={held.low} />
              </Label>
              <Label at={x(forecast.high)} top={44} end="end" color="text.secondary">
                <Told of={held.high} />
              </Label>
            </>
          )}
        </>
      )}
      <Box
        sx={{
          position: 'absolute',
          top: 27,
          height: 8,
          left: x(measured.low),
          width: width(measured.low, measured.high),
          minWidth: 3,
          bgcolor: 'var(--mui-palette-measured)',
          borderRadius: 0.5,
        }}
      />
      <Label
        {...(isClose
          ? beyond(measured.expected, !isLate)
          : { at: x(measured.expected), end: 'middle' as const })}
        top={0}
        color="var(--mui-palette-measured)"
      >
        measured <Told of={unit === 's' ? came.middle : came.rate} />
      </Label>
      {target !== null && (
        <>
          <Box
            sx={{
              position: 'absolute',
              // Below its name: no line runs through it.
              top: 20,
              height: 30,
              left: x(target),
              width: 0,
              borderLeft: '2px dashed',
              borderColor: 'text.primary',
            }}
          />
          <Label {...beyond(target, isLate)} top={0} color="text.primary">
            target <Told of={targetSaid(claim.activity!).target} />
          </Label>
        </>
      )}
    </Box>
  );
}

function Label({
  at,
  top,
  end,
  color,
  children,
}: {
  at: string;
  top: number;
  end: 'start' | 'middle' | 'end';
  color: string;
  children: React.ReactNode;
}) {
  const shift = { start: '0', middle: '-50%', end: '-100%' }[end];
  return (
    <Box
      component="span"
      sx={{
        position: 'absolute',
        left: at,
        top,
        transform: `translateX(${shift})`,
        color,
        whiteSpace: 'nowrap',
        fontWeight: 600,
      }}
    >
      {children}
    </Box>
  );
}
