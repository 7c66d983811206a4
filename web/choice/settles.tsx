import { Box, Typography } from '@mui/material';
import { useEffect, useState } from 'react';
import { unbroken } from '../ui/figure';
import { choose } from '../workers';

/** ms of quiet after a search before it is asked for. */
const STILL = 600;
/** As many are told. */
const MOST = 3;

/** What to ask or look up before buying: what would make another build the one to buy. */
export function Settles({ turn }: { turn: number }) {
  const [found, setFound] = useState<{ turn: number; list: string[] } | null>(null);
  useEffect(() => {
    let current = true;
    // What somebody asks for goes before what might be worth asking.
    const timer = setTimeout(() => {
      choose.settles().then(
        (list) => current && setFound({ turn, list }),
        () => undefined,
      );
    }, STILL);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [turn]);
  if (found?.turn !== turn || found.list.length === 0) return null;
  return (
    <Box component="section" aria-label="Worth finding out before buying" sx={{ mt: 1.5 }}>
      <Typography variant="h3">Worth finding out before buying</Typography>
      <Box
        component="ul"
        sx={{ m: 0, mt: 0.5, pl: 2.25, typography: 'body2', '& li:first-of-type': { fontWeight: 600 } }}
      >
        {found.list.slice(0, MOST).map((words) => (
          <li key={words}>{unbroken(words)}</li>
        ))}
      </Box>
    </Box>
  );
}
