import { Button } from '@mui/material';
import type { ReactNode } from 'react';

/** A button in the run of small text. */
export const Small = ({ onClick, children }: { onClick(): void; children: ReactNode }) => (
  <Button
    size="small"
    data-inline
    onClick={onClick}
    sx={{ p: 0, minWidth: 0, fontSize: 'inherit', lineHeight: 1.5, verticalAlign: 'baseline' }}
  >
    {children}
  </Button>
);
