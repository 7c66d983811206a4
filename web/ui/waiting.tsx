import { Typography } from '@mui/material';
import type { ReactNode } from 'react';

/** What is being worked out beside the page, until it is there. */
export const Waiting = ({ children }: { children: ReactNode }) => (
  <Typography role="status" color="textSecondary" sx={{ py: 2 }}>
    {children}
  </Typography>
);
