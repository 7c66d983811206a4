import { Box, Typography, type BoxProps } from '@mui/material';
import type { ReactNode } from 'react';

export interface PanelProps extends Omit<BoxProps, 'title'> {
  title?: ReactNode;
  /** Stands at the right end of the title's line. */
  aside?: ReactNode;
}

/** A sheet of the page with its heading. */
export function Panel({ title, aside, children, sx, ...rest }: PanelProps) {
  return (
    <Box
      component="section"
      {...rest}
      sx={{
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        p: 2,
        minWidth: 0,
        overflowX: 'auto',
        ...sx,
      }}
    >
      {(title || aside) && (
        <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 1.25, flexWrap: 'wrap' }}>
          <Typography variant="h2" sx={{ flex: 1 }}>
            {title}
          </Typography>
          {aside}
        </Box>
      )}
      {children}
    </Box>
  );
}
