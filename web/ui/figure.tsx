import { ButtonBase } from '@mui/material';
import type { ReactNode } from 'react';
import type { Estimate } from '@kymar/core/evidence';
import type { Statement } from '@kymar/core/statements';
import { format } from '@kymar/core/units';
import { create } from 'zustand';

/** A sentence whose figures are not torn from their units where a line ends. */
export const unbroken = (text: string): string =>
  text
    .replace(/(\d) (?=[%°]|(?:min|h|s|ms|µs|years|[kMGT]i?B|[kMG]b|[A-Z]{3})\b)/g, '$1\u00a0')
    .replace(/\b(min|h) (?=\d)/g, '$1\u00a0');

/** A short time of a person's, s. */
export const inMs = (seconds: number): string => `${(seconds * 1000).toFixed(0)} ms`;

/** Which figure's working the side sheet shows; one sheet for the whole app. */
export const useWorking = create<{ shown: Estimate | null; show(estimate: Estimate): void; hide(): void }>(
  (set) => ({ shown: null, show: (shown) => set({ shown }), hide: () => set({ shown: null }) }),
);

interface Props {
  /** The figure, or how to make it: the working is made only when asked for. */
  of: Estimate | (() => Estimate);
  /** What is said of it: its words, and the id it bears. */
  said?: Statement | undefined;
  children?: ReactNode;
}

/** A figure that opens its working. */
export function Figure({ of, said, children }: Props) {
  const show = useWorking((s) => s.show);
  const made = () => (typeof of === 'function' ? of() : of);
  return (
    <ButtonBase
      onClick={() => show(made())}
      title="Show the working"
      data-inline
      data-said={said?.id}
      sx={{
        font: 'inherit',
        fontVariantNumeric: 'inherit',
        color: 'inherit',
        textDecoration: 'underline',
        textDecorationStyle: 'dotted',
        textDecorationColor: 'var(--mui-palette-text-secondary)',
        textUnderlineOffset: '3px',
        verticalAlign: 'baseline',
        whiteSpace: 'nowrap',
        '&:hover': { color: 'primary.main' },
      }}
    >
      {children ?? (said ? unbroken(said.words) : format(made().expected, made().unit))}
    </ButtonBase>
  );
}
