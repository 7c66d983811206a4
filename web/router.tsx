import { lazy, Suspense } from 'react';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { DEMO_IDS } from '@kymar/core/demo';
import { useStatus } from './state/jobs';
import { JobFrame } from './ui/job';
import { Shell } from './ui/shell';

// Each view is fetched when it is first shown.
const Jobs = lazy(async () => ({ default: (await import('./jobs')).Jobs }));
const Brief = lazy(async () => ({ default: (await import('./brief')).Brief }));
const PathView = lazy(async () => ({ default: (await import('./path')).PathView }));
const Forecast = lazy(async () => ({ default: (await import('./forecast')).Forecast }));
const Bench = lazy(async () => ({ default: (await import('./bench')).Bench }));
const VerdictView = lazy(async () => ({ default: (await import('./verdict')).VerdictView }));
const Handover = lazy(async () => ({ default: (await import('./handover')).Handover }));

/** A first visit opens on the finished demo job, every later one on the list. */
function Entrance() {
  const fresh = useStatus((s) => s.fresh);
  return <Navigate replace to={fresh ? `/jobs/${DEMO_IDS[0]}/verdict` : '/jobs'} />;
}

export function Router() {
  return (
    <BrowserRouter>
      <Suspense>
        <Routes>
          <Route Component={Shell}>
            <Route index Component={Entrance} />
            <Route path="jobs" Component={Jobs} />
            <Route path="jobs/:id" Component={JobFrame}>
              <Route index element={<Navigate replace to="brief" />} />
              <Route path="brief" Component={Brief} />
              <Route path="path" Component={PathView} />
              <Route path="forecast" Component={Forecast} />
              <Route path="bench" Component={Bench} />
              <Route path="verdict" Component={VerdictView} />
              <Route path="handover" Component={Handover} />
            </Route>
            <Route path="*" element={<Navigate replace to="/jobs" />} />
          </Route>
        </Routes>
      </Suspense>
    </BrowserRouter>
  );
}
