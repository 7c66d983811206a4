import { answerOf, mustNotStall } from '@kymar/core/job';
import { Box, IconButton, Table, TableBody, TableCell, TableHead, TableRow, Typography } from '@mui/material';
import { CloseIcon } from '../ui/icons';
import { Suspense, useEffect, useMemo, useRef, type ReactNode } from 'react';
import type { Wanted } from '@kymar/core/choice';
import type { Estimate } from '@kymar/core/evidence';
import type { ActivitySheet } from '@kymar/core/forecast';
import { buysSaid } from '@kymar/core/statements';
import { format, formatProbability } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { Figure } from '../ui/figure';
import { patientLazy } from '../ui/lazy';
import { Panel } from '../ui/panel';
import { Told } from '../ui/told';
import { OpeningView, Waiting } from '../ui/waiting';
import { Hourly } from './hourly';
import { choose, type Beside } from '../workers';

const Speeds = patientLazy(() => import('./speeds'));

/** A line of figures: what each build has there, and its worth where the least or the most is the best. */
interface Line {
  name: string;
  cells: { show: ReactNode; worth: number | null }[];
  best: 'least' | 'most' | null;
}

const NONE: Beside[] = [];

/** Figures that differ by less than this are the same. */
const SAME = 0.02;

const figureCell = (of: Estimate | null | undefined, show?: string) => ({
  show: of ? <Figure of={of}>{show}</Figure> : '',
  worth: of?.expected ?? null,
});

/** @param of each build, the sheet of one activity at one place */
const activityLine = (
  name: string,
  of: readonly (ActivitySheet | undefined)[],
  first: ActivitySheet,
): Line[] => {
  const lines: Line[] = [
    {
      name,
      best: answerOf(first.activity).better === 'more' ? 'most' : 'least',
      cells: of.map((sheet) => figureCell(sheet?.figure)),
    },
  ];
  if (first.probability !== null)
    lines.push({
      name: mustNotStall(first.activity) ? 'no stall' : 'target met',
      best: 'most',
      cells: of.map((sheet) => {
        const p = sheet?.probability ?? null;
        return { show: p === null ? '' : formatProbability(p), worth: p };
      }),
    });
  if (first.course?.hottest)
    lines.push({
      name: 'drive at its hottest',
      best: 'least',
      cells: of.map((sheet) => figureCell(sheet?.course?.hottest)),
    });
  return lines;
};

/** What sets levels apart: what may fail, how long and how surely it is made whole again, what one more drive costs. */
function levelLines(list: readonly Beside[]): Line[] {
  if (!list.some(({ level }) => level)) return [];
  const arrays = list.map(({ sheet }) => sheet?.array ?? null);
  const told = (name: string, of: 'rebuild' | 'rebuildFails' | 'loss'): Line => ({
    name,
    best: 'least',
    cells: arrays.map((array) => figureCell(array?.[of])),
  });
  return [
    {
      name: 'Level',
      best: null,
      cells: list.map(({ level }) => ({ show: level?.words ?? 'one drive', worth: null })),
    },
    {
      name: 'Drives that may fail',
      best: 'most',
      cells: arrays.map((array) => ({ show: array ? array.survives : 0, worth: array?.survives ?? 0 })),
    },
    told('Rebuild of one drive, at least', 'rebuild'),
    told('A rebuild fails', 'rebuildFails'),
    told('Data lost within the service life', 'loss'),
    {
      name: 'One more drive, as a spare',
      best: 'least',
      cells: list.map(({ level }) => ({ show: level?.spareMoney ?? '', worth: level?.spare ?? null })),
    },
  ];
}

function linesOf(list: readonly Beside[], hourly: number): Line[] {
  const [first] = list;
  const life = list.map(({ sheet }) => sheet?.lasting?.years ?? null);
  return [
    { name: 'To be paid', best: 'least', cells: list.map((b) => ({ show: b.money, worth: b.cost })) },
    {
      name: 'Over the service life',
      best: 'least',
      cells: list.map(({ life: l }) => ({
        show: l ? <span title={l.words}>{l.total}</span> : '',
        worth: l?.worth ?? null,
      })),
    },
    ...(hourly > 0
      ? [
          {
            name: 'Pays back against the first',
            best: null,
            cells: list.map(({ back }) => ({ show: back ?? '', worth: null })),
          },
        ]
      : []),
    // Each machine by itself: what changes nothing on one may decide on another.
    ...(first?.places ?? []).flatMap(({ host, activities }, at, { length }) =>
      activities.flatMap((sheet, i) =>
        activityLine(
          length > 1 ? `${sheet.activity.name}, on ${host}` : sheet.activity.name,
          list.map(({ places }) => places[at]?.activities[i]),
          sheet,
        ),
      ),
    ),
    ...levelLines(list),
    { name: 'Rating is written after', best: 'most', cells: life.map((of) => figureCell(of)) },
    {
      name: 'Usable',
      best: 'most',
      cells: list.map(({ usable }) => ({ show: usable === null ? '' : format(usable, 'B'), worth: usable })),
    },
    {
      name: 'Warranty',
      best: 'most',
      cells: list.map(({ warranty }) => ({
        show: warranty === null ? 'not known' : format(warranty, 'years'),
        worth: warranty,
      })),
    },
    {
      name: 'Misses',
      best: null,
      cells: list.map(({ missed }) => ({
        show: missed.length === 0 ? 'nothing' : missed.join('; '),
        worth: null,
      })),
    },
    {
      name: 'Watch out for',
      best: null,
      cells: list.map(({ cautions }) => ({
        show: cautions.length === 0 ? 'nothing' : cautions.join('; '),
        worth: null,
      })),
    },
  ];
}

/** Which cells of a line are the best: none where all are alike. */
function bestOf({ cells, best }: Line): boolean[] {
  const worths = cells.map(({ worth }) => worth);
  const known = worths.filter((w) => w !== null);
  if (best === null || known.length < 2) return cells.map(() => false);
  const top = best === 'least' ? Math.min(...known) : Math.max(...known);
  const near = worths.map((w) => w !== null && Math.abs(w - top) <= Math.abs(top) * SAME);
  return near.every(Boolean) ? near.map(() => false) : near;
}

/** Two to four builds side by side; what differs is marked, what is best is set bold. */
export function BesidePanel({
  ids,
  wanted,
  turn,
  hourly,
  called,
  onDrop,
}: {
  ids: readonly string[];
  wanted: Wanted;
  turn: number;
  hourly: number;
  /** How often it was asked for from elsewhere: each time the focus comes here. */
  called: number;
  onDrop(ids: readonly string[]): void;
}) {
  const panel = useRef<HTMLElement>(null);
  useEffect(() => {
    if (called > 0) panel.current?.focus();
  }, [called]);
  const list = useAnswer(choose.beside(turn, ids, hourly)).data ?? NONE;
  const lines = linesOf(list, hourly);
  const curves = useMemo(
    () =>
      list.flatMap(({ id, words, sheet }) => {
        const course = sheet?.activities.find((a) => a.course)?.course;
        return course ? [{ id, words, points: course.profile.speed }] : [];
      }),
    [list],
  );
  return (
    <Panel
      title="Side by side"
      ref={panel}
      tabIndex={-1}
      aria-busy={list.length === 0}
      aside={<Hourly currency={wanted.currency} />}
    >
      {list.length === 0 && <Waiting>Drawing their ranges …</Waiting>}
      {list.map(
        ({ id, buys }, i) =>
          buys && (
            <Typography key={id} sx={{ mb: 1 }}>
              {i + 1}: <Told of={buysSaid(id, buys).buys} />
            </Typography>
          ),
      )}
      {list.length > 0 && (
        <Table size="small" sx={{ tableLayout: 'fixed' }}>
          <TableHead>
            <TableRow>
              <TableCell sx={{ width: 190 }} />
              {list.map(({ id, words, port }, i) => (
                <TableCell key={id} sx={{ verticalAlign: 'top' }}>
                  <Box sx={{ display: 'flex', alignItems: 'flex-start' }}>
                    <Box sx={{ flex: 1 }}>
                      <Typography variant="body2" sx={{ fontWeight: 640, color: 'text.primary' }}>
                        {i + 1}. {words}
                      </Typography>
                      {port}
                    </Box>
                    <IconButton
                      size="small"
                      aria-label={`Take ${words} out`}
                      onClick={() => onDrop(ids.filter((other) => other !== id))}
                    >
                      <CloseIcon fontSize="inherit" />
                    </IconButton>
                  </Box>
                </TableCell>
              ))}
            </TableRow>
          </TableHead>
          <TableBody>
            {lines.map((line, n) => {
              const best = bestOf(line);
              return (
                <TableRow key={`${line.name} ${n}`}>
                  <TableCell component="th" scope="row" sx={{ color: 'text.secondary' }}>
                    {line.name}
                  </TableCell>
                  {line.cells.map(({ show }, i) => (
                    <TableCell
                      key={list[i]!.id}
                      sx={best[i] ? { fontWeight: 680, bgcolor: 'sunken' } : undefined}
                    >
                      {show}
                      {best[i] && (
                        <Typography component="span" variant="caption" color="textSecondary">
                          {' '}
                          best
                        </Typography>
                      )}
                    </TableCell>
                  ))}
                </TableRow>
              );
            })}
          </TableBody>
        </Table>
      )}
      {curves.length > 1 && (
        <Box sx={{ height: 220, mt: 1.5 }}>
          <Suspense fallback={<OpeningView />}>
            <Speeds curves={curves} />
          </Suspense>
        </Box>
      )}
      {list[0]?.life && (
        <Typography variant="caption" color="textSecondary" component="div" sx={{ mt: 1 }}>
          {list.map(({ id, life }, i) => (
            <div key={id}>
              {i + 1}: {life?.words}
            </div>
          ))}
        </Typography>
      )}
    </Panel>
  );
}
