import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import { loadRules } from './state/rules';
import { useStatus } from './state/status';
import { JobFrame } from './ui/job';
import { Shell } from './ui/shell';
import { lazyView } from './ui/view';

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
  settings: async () => ({ default: (await import('./settings')).Settings }),
  handover: async () => ({ default: (await import('./handover')).Handover }),
};
const named = location.pathname.split('/').at(-1) || 'verdict';
if (named in VIEWS) void VIEWS[named as keyof typeof VIEWS]().catch(() => undefined);

const Jobs = lazyView(VIEWS.jobs);
const Brief = lazyView(VIEWS.brief);
const PathView = lazyView(VIEWS.path);
const Forecast = lazyView(VIEWS.forecast);
const Bench = lazyView(VIEWS.bench);
const VerdictView = lazyView(VIEWS.verdict);
const Handover = lazyView(VIEWS.handover);
const Parts = lazyView(VIEWS.parts);
const Reference = lazyView(VIEWS.reference);
const Settings = lazyView(VIEWS.settings);

/** What a stopped server would keep back is fetched while there is nothing else to do. */
export function fetchTheRest(): void {
  const rest = () => {
    for (const load of [
      ...Object.values(VIEWS),
      loadRules,
      () => import('./ui/working'),
      () => import('./ui/alternatives'),
    ])
      void load().catch(() => undefined);
    void import('./workers').then(
      ({ warmUp }) => warmUp(),
      () => undefined,
    );
    void import('./state/backup').then(
      ({ watchBackup }) => watchBackup(),
      () => undefined,
    );
  };
  // Not before the first view is there and read.
  setTimeout(() => void loadRules().catch(() => undefined), 500);
  setTimeout(
    () => ('requestIdleCallback' in globalThis ? requestIdleCallback(rest, { timeout: 10_000 }) : rest()),
    3000,
  );
}

/** A first visit opens on the finished demo job, every later one on the list. */
function Entrance() {
  const fresh = useStatus((s) => s.fresh);
  return <Navigate replace to={fresh ? `/jobs/${fresh}/verdict` : '/jobs'} />;
}

export function Router() {
  return (
    <BrowserRouter>
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
          <Route path="settings" Component={Settings} />
          <Route path="*" element={<Navigate replace to="/jobs" />} />
        </Route>
      </Routes>
    </BrowserRouter>
  );
}
