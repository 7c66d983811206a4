import { CloseIcon } from './icons';
import { Box, IconButton, Typography, type BoxProps } from '@mui/material';
import type { ReactNode } from 'react';

interface Props extends Omit<BoxProps, 'title'> {
  severity?: 'error' | 'warning' | 'info' | 'success';
  title?: ReactNode;
  /** Stands at the right end. */
  action?: ReactNode;
  onClose?: (() => void) | undefined;
}

/** Something a person should read. Light enough to be there before the rest is: what it tells of may be that the rest cannot come. */
export function Notice({ severity = 'warning', title, action, onClose, children, sx, ...rest }: Props) {
  return (
    <Box
      role={severity === 'error' || severity === 'warning' ? 'alert' : 'status'}
      {...rest}
      sx={{
        display: 'flex',
        gap: 1.5,
        alignItems: 'flex-start',
        px: 2,
        py: 1,
        border: 1,
        borderLeft: 4,
        borderColor: `${severity}.main`,
        borderRadius: 1,
        bgcolor: 'background.paper',
        ...sx,
      }}
    >
      <Box sx={{ flex: 1, minWidth: 0 }}>
        {title && (
          <Typography variant="h3" component="p" sx={{ mb: 0.25 }}>
            {title}
          </Typography>
        )}
        <Typography variant="body2" component="div" sx={{ overflowWrap: 'anywhere' }}>
          {children}
        </Typography>
      </Box>
      {action}
      {onClose && (
        <IconButton size="small" aria-label="Close" title="Close" onClick={onClose}>
          <CloseIcon fontSize="small" />
        </IconButton>
      )}
    </Box>
  );
}
