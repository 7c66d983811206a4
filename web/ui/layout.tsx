import { Box, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { NARROW } from './narrow';

interface Props {
  children: ReactNode;
  /** Between them, in steps of 8 px. */
  gap?: number;
}

/** One below the other. */
export const Stack = ({ children, gap = 1.5 }: Props) => <Box sx={{ display: 'grid', gap }}>{children}</Box>;

/** Of fields that stand beside each other, on a phone or on a page that is zoomed: as many as are read whole. */
export const FEW = { gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 230px), 1fr))' };

/** Beside each other in columns: so many alike, as many as there is room for on a phone, or as wide as said. None grows beyond its share. */
export const Columns = ({ children, gap = 1.5, of }: Props & { of: number | string }) => (
  <Box
    sx={{
      display: 'grid',
      gap,
      gridTemplateColumns: typeof of === 'number' ? `repeat(${of}, minmax(0, 1fr))` : of,
      ...(typeof of === 'number' && { [NARROW]: FEW }),
    }}
  >
    {children}
  </Box>
);

/** Beside each other as wide as each is. */
export const Row = ({
  children,
  gap = 1,
  align,
  wrap = false,
}: Props & { align?: 'center' | 'baseline' | 'start'; wrap?: boolean }) => (
  <Box sx={{ display: 'flex', gap, alignItems: align, flexWrap: wrap ? 'wrap' : undefined }}>{children}</Box>
);

/** A view of its own in two columns: its name, and what it is for in a sentence. */
export const TwoColumns = ({
  title,
  about,
  children,
  widest = 1680,
}: {
  title: string;
  about: string;
  children: ReactNode;
  /** px. */
  widest?: number;
}) => (
  <Box
    component="main"
    sx={{
      px: { xs: 1.5, sm: 3 },
      py: 3,
      maxWidth: widest,
      width: '100%',
      mx: 'auto',
      display: 'grid',
      gap: 2,
      gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'repeat(2, minmax(0, 1fr))' },
      alignItems: 'start',
    }}
  >
    <Box sx={{ gridColumn: '1 / -1' }}>
      <Typography variant="h1">{title}</Typography>
      <Typography color="textSecondary">{about}</Typography>
    </Box>
    {children}
  </Box>
);
