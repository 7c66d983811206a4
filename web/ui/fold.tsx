import { Box, Button, Typography } from '@mui/material';
import type { ReactNode } from 'react';
import { setFold, useFold } from '../state/folds';
import { ExpandIcon } from './icons';
import { Row } from './layout';
import { Panel, type PanelProps } from './panel';

interface Props {
  /** By what it is found again as it was left. */
  name: string;
  title: string;
  /** What stands in it, in a line, so that nobody has to look; told by what is in it once it is open. */
  said?: ReactNode;
  /** What it is for, where nothing is said of what stands in it; stays while it is open. */
  about?: string;
  /** How it is where nobody opened or shut it. */
  usual?: boolean;
  children: ReactNode;
}

/** The words beside a title: what it is for, or what stands in it where nobody sees that. */
function Words({ said, about, isOpen }: Pick<Props, 'said' | 'about'> & { isOpen: boolean }) {
  const words = isOpen ? about : (said ?? about);
  return words ? (
    <Typography
      component="span"
      variant="body2"
      color="textSecondary"
      sx={{ minWidth: 0, whiteSpace: 'normal', overflowWrap: 'anywhere' }}
    >
      {words}
    </Typography>
  ) : null;
}

function Head({ name, title, said, about, isOpen }: Omit<Props, 'children'> & { isOpen: boolean }) {
  return (
    <Button
      data-fold={name}
      aria-expanded={isOpen}
      onClick={() => setFold(name, !isOpen)}
      color="inherit"
      startIcon={
        <ExpandIcon sx={{ transform: isOpen ? 'none' : 'rotate(-90deg)', color: 'text.secondary' }} />
      }
      sx={{ typography: 'h2', textAlign: 'left', justifyContent: 'start', width: '100%', px: 0.5, mx: -0.5 }}
    >
      <Box component="span" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', minWidth: 0 }}>
        <Box component="span" sx={{ mr: 1.5, whiteSpace: 'normal' }}>
          {title}
        </Box>
        <Words said={said} about={about} isOpen={isOpen} />
      </Box>
    </Button>
  );
}

interface FoldProps extends Props, Omit<PanelProps, 'title' | 'children'> {
  /** Stands at its right end while it is open. */
  aside?: ReactNode;
}

/** A sheet of the page that opens and shuts, and is found again as it was left. What is shut is not there: nothing of it is worked out. */
export function Fold({ name, title, said, about, usual = false, aside, children, sx, ...rest }: FoldProps) {
  const isOpen = useFold(name, usual);
  return (
    <Panel {...rest} sx={{ py: 1, ...sx }}>
      <Row align="center" wrap>
        <Box component="h2" sx={{ m: 0, flex: '1 1 260px', minWidth: 0 }}>
          <Head name={name} title={title} said={said} about={about} isOpen={isOpen} />
        </Box>
        {isOpen && aside}
      </Row>
      {isOpen && <Box sx={{ pt: 1, pb: 1 }}>{children}</Box>}
    </Panel>
  );
}

/** The same within a sheet: what is seldom needed, behind a line. */
export function More({ name, title, said, about, usual = false, children }: Props) {
  const isOpen = useFold(name, usual);
  return (
    <>
      <Button
        size="small"
        data-fold={name}
        aria-expanded={isOpen}
        onClick={() => setFold(name, !isOpen)}
        sx={{ gridColumn: '1 / -1', justifySelf: 'start', textAlign: 'left' }}
        startIcon={<ExpandIcon sx={{ transform: isOpen ? 'none' : 'rotate(-90deg)' }} />}
      >
        <Box component="span" sx={{ mr: 1.5, whiteSpace: 'normal' }}>
          {title}
        </Box>
        <Words said={said} about={about} isOpen={isOpen} />
      </Button>
      {isOpen && children}
    </>
  );
}

/** How long a field is waited for that has yet to be drawn, in frames. */
const FRAMES = 30;

/** Opens a fold and puts the cursor into one of its fields. */
export function bringForward(name: string, label: string): void {
  setFold(name, true);
  const find = (left: number) => {
    const named = [...document.querySelectorAll('main label')].find((l) => l.textContent.trim() === label);
    const field = named instanceof HTMLLabelElement ? named.control : null;
    if (field) {
      field.scrollIntoView({ block: 'center' });
      field.focus();
    } else if (left > 0) requestAnimationFrame(() => find(left - 1));
  };
  find(FRAMES);
}
