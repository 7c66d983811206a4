import { Box, Button } from '@mui/material';
import { useEffect, useState, type ComponentType } from 'react';
import { firstViewShown } from '../state/idle';
import { ping, useServer } from '../state/server';
import { Notice } from './notice';
import { OpeningView } from './waiting';

type Load = () => Promise<{ default: ComponentType }>;

/** What a view's code is asked for again after, in ms. */
const AGAIN = 3000;

/**
 * A view whose code comes when it is first shown. Where it cannot be loaded (the server was stopped, or replaced by another build) the
 * page stays, says so, and asks again until it is there. React's own `lazy` would keep the failure for good.
 * Some browsers keep a failed module for good as well: when the server is there again and its code still does not come, the page is opened anew.
 * @param isFrame what it shows stands around a view and is none itself
 */
export function lazyView(load: Load, isFrame = false, openAnew = () => location.reload()): ComponentType {
  let known: ComponentType | null = null;
  // It failed before while the server was away.
  let missed = false;
  return function View() {
    const [Found, setFound] = useState<ComponentType | null>(() => known);
    const [failed, setFailed] = useState(false);
    const [tries, setTries] = useState(0);
    useEffect(() => {
      if (Found) return;
      let alive = true;
      let timer: ReturnType<typeof setTimeout> | undefined;
      load().then(
        ({ default: view }) => {
          known = view;
          if (alive) setFound(() => view);
        },
        async () => {
          await ping();
          const { away } = useServer.getState();
          if (!alive) return;
          if (missed && !away) return openAnew();
          missed = away;
          setFailed(true);
          timer = setTimeout(() => setTries((n) => n + 1), AGAIN);
        },
      );
      return () => {
        alive = false;
        clearTimeout(timer);
      };
    }, [Found, tries]);
    useEffect(() => {
      if (Found && !isFrame) firstViewShown();
    }, [Found]);
    if (Found) return <Found />;
    return failed ? (
      <Unloaded again={() => setTries((n) => n + 1)} />
    ) : (
      <OpeningView data-opening sx={{ p: 3 }} />
    );
  };
}

function Unloaded({ again }: { again(): void }) {
  const away = useServer((s) => s.away);
  return (
    <Box component="main" sx={{ p: 3, maxWidth: 720 }}>
      <Notice>
        {away
          ? 'This page was not opened before, and Kymar’s server does not answer: start it again in its terminal. It is tried again by itself.'
          : 'This page cannot be loaded: Kymar was replaced by another build. Reload the page; nothing you entered is lost, and a running clock runs on.'}
        <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
          <Button size="small" variant="contained" onClick={again}>
            Try again
          </Button>
          <Button size="small" onClick={() => location.reload()}>
            Reload the page
          </Button>
        </Box>
      </Notice>
    </Box>
  );
}
