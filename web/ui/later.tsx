import { Suspense } from 'react';
import { useLocation } from 'react-router';
import { Keys } from '../keys';
import { patientLazy } from './lazy';
import { useNarrow } from './narrow';

const ThumbBar = patientLazy(() => import('./thumbbar'));
const Tour = patientLazy(async () => ({ default: (await import('../tour')).Tour }));

/** What stands beside every view and may come after it: keys, the bar for a thumb, the way round the demo. */
export default function Afterwards() {
  const narrow = useNarrow();
  // How far one is on the way round is kept by the browser's own history.
  const way = useLocation().state as { tour?: number; job: string } | null;
  return (
    <Suspense fallback={null}>
      <Keys />
      {narrow && <ThumbBar />}
      {way?.tour !== undefined && <Tour job={way.job} at={way.tour} />}
    </Suspense>
  );
}
