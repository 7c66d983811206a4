import { Box, Typography, type BoxProps } from '@mui/material';
import type { ReactNode } from 'react';

/** What is being worked out beside the page, until it is there. */
export const Waiting = ({ children }: { children: ReactNode }) => (
  <Typography role="status" color="textSecondary" sx={{ py: 2 }}>
    {children}
  </Typography>
);

/** Stands where code is still on its way; told only where that takes its time. */
export const OpeningView = ({ sx, ...rest }: BoxProps) => (
  <Box
    role="status"
    {...rest}
    sx={{
      color: 'text.secondary',
      animation: 'opening 0s 0.4s both',
      '@keyframes opening': { from: { visibility: 'hidden' }, to: { visibility: 'visible' } },
      ...sx,
    }}
  >
    Opening …
  </Box>
);

/** {@link OpeningView} of what will lie over the page: pressed, it answers at once, wherever it will open. */
export const OpeningOver = () => (
  <OpeningView
    sx={{
      position: 'fixed',
      zIndex: 'modal',
      top: 52,
      left: '50%',
      transform: 'translateX(-50%)',
      px: 2,
      py: 1,
      border: 1,
      borderColor: 'divider',
      borderRadius: 1,
      bgcolor: 'background.paper',
    }}
  />
);
