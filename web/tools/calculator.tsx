import { Typography } from '@mui/material';
import type { ReactNode } from 'react';
import type { Dimension } from '@kymar/core/units';
import { QuantityField } from '../ui/field';
import { Fold } from '../ui/fold';
import { Rows } from './rows';

/** One figure of a line. */
export interface Entry<Row> {
  of: keyof Row & string;
  /** What it is called, with the number of its line where # stands. */
  label: string;
  dimension: Dimension;
  bare?: string;
  /** None at all is an answer too. */
  zero?: true;
  /** It may be left out. */
  optional?: true;
}

/** What comes of something, or why nothing does. */
export function tryOut<T>(of: () => T): T | string {
  try {
    return of();
  } catch (error) {
    return (error as Error).message;
  }
}

/**
 * Figures that were seen several times, and what follows from them.
 * @param about what it is worked out from
 * @param asks what is asked for and why
 * @param widths of a line's figures, as columns of a grid
 * @param found what follows, or why nothing does
 * @param more what is asked beside the lines
 */
export function Calculator<Row extends { key: number }, Found extends object>({
  name,
  title,
  about,
  asks,
  entries,
  widths,
  found,
  more,
  children,
  ...rows
}: {
  /** Of its fold. */
  name: string;
  title: string;
  about: string;
  asks: string;
  rows: readonly Row[];
  onRows(rows: Row[]): void;
  what: string;
  least: number;
  most: number;
  next?: (last: Row) => Row;
  entries: readonly Entry<Row>[];
  widths: string;
  found: Found | string;
  more?: ReactNode;
  children(found: Found): ReactNode;
}) {
  return (
    <Fold name={name} title={title} about={about}>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        {asks}
      </Typography>
      <Rows widths={widths} {...rows}>
        {(row, i, set) =>
          entries.map(({ of, label, dimension, bare, zero, optional }) => (
            <QuantityField
              key={of}
              label={label.replace('#', String(i))}
              dimension={dimension}
              {...(bare && { bare })}
              {...(optional && { optional })}
              value={(row[of] as number | undefined) ?? null}
              onValue={(v) =>
                (v === null ? optional : v !== 0 || zero) && set({ [of]: v ?? undefined } as Partial<Row>)
              }
            />
          ))
        }
      </Rows>
      {more}
      {typeof found === 'string' ? (
        <Typography color="error" role="alert">
          {found}
        </Typography>
      ) : (
        children(found)
      )}
    </Fold>
  );
}
