import { lazy, Suspense } from 'react';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { DEMO_IDS } from '@kymar/core/demo';
import { useStatus } from './state/jobs';
import { JobFrame } from './ui/job';
import { Shell } from './ui/shell';

// Each view is fetched when it is first shown, the one the address names while the rest still starts.
const VIEWS = {
  jobs: async () => ({ default: (await import('./jobs')).Jobs }),
  brief: async () => ({ default: (await import('./brief')).Brief }),
  path: async () => ({ default: (await import('./path')).PathView }),
  forecast: async () => ({ default: (await import('./forecast')).Forecast }),
  bench: async () => ({ default: (await import('./bench')).Bench }),
  verdict: async () => ({ default: (await import('./verdict')).VerdictView }),
  parts: async () => ({ default: (await import('./parts')).Parts }),
  reference: async () => ({ default: (await import('./reference')).Reference }),
  handover: async () => ({ default: (await import('./handover')).Handover }),
};
const named = location.pathname.split('/').at(-1) || 'verdict';
if (named in VIEWS) void VIEWS[named as keyof typeof VIEWS]();

const Jobs = lazy(VIEWS.jobs);
const Brief = lazy(VIEWS.brief);
const PathView = lazy(VIEWS.path);
const Forecast = lazy(VIEWS.forecast);
const Bench = lazy(VIEWS.bench);
const VerdictView = lazy(VIEWS.verdict);
const Handover = lazy(VIEWS.handover);
const Parts = lazy(VIEWS.parts);
const Reference = lazy(VIEWS.reference);

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
            <Route path="parts/:kind?/:id?" Component={Parts} />
            <Route path="reference" Component={Reference} />
            <Route path="*" element={<Navigate replace to="/jobs" />} />
          </Route>
        </Routes>
      </Suspense>
    </BrowserRouter>
  );
}
