import { useMediaQuery } from '@mui/material';

/** A phone, or a page zoomed to twice its size: what is read comes before what surrounds it. */
export const NARROW = '@media (max-width: 599.95px), (max-height: 500px)';
export const useNarrow = (): boolean => useMediaQuery(NARROW, { noSsr: true });

/** Pressed with a finger. */
export const FINGER = '@media (pointer: coarse)';
