import { useEffect, type ComponentType } from 'react';
import { BrowserRouter, Navigate, Route, Routes, useParams } from 'react-router';
import { useJobs } from './state/jobs';
import { loadRules } from './state/rules';
import { useStatus } from './state/status';
import { Shell } from './ui/shell';
import { lazyView } from './ui/view';

interface View {
  /** Where it is; a job's own views stand below the job. */
  path: string;
  title: string;
  load(): Promise<{ default: ComponentType }>;
}

/** What stands by itself. */
const PAGES: View[] = [
  { path: 'jobs', title: 'Jobs', load: async () => ({ default: (await import('./jobs')).Jobs }) },
  {
    path: 'parts/:kind?/:id?',
    title: 'Parts',
    load: async () => ({ default: (await import('./parts')).Parts }),
  },
  {
    path: 'practice',
    title: 'Practice',
    load: async () => ({ default: (await import('./practice')).PracticeView }),
  },
  { path: 'tools', title: 'Tools', load: async () => ({ default: (await import('./tools')).Tools }) },
  {
    path: 'reference',
    title: 'Reference',
    load: async () => ({ default: (await import('./reference')).Reference }),
  },
  {
    path: 'settings',
    title: 'Settings',
    load: async () => ({ default: (await import('./settings')).SettingsView }),
  },
];

/** The stages of a job, and what is known of it. */
const STAGES: View[] = [
  { path: 'brief', title: 'Brief', load: async () => ({ default: (await import('./brief')).BriefView }) },
  { path: 'choice', title: 'Choice', load: async () => ({ default: (await import('./choice')).ChoiceView }) },
  { path: 'path', title: 'Path', load: async () => ({ default: (await import('./path')).PathView }) },
  {
    path: 'forecast',
    title: 'Forecast',
    load: async () => ({ default: (await import('./forecast')).Forecast }),
  },
  { path: 'setup', title: 'Set-up', load: async () => ({ default: (await import('./setup')).SetupView }) },
  { path: 'bench', title: 'Bench', load: async () => ({ default: (await import('./bench')).BenchView }) },
  {
    path: 'verdict',
    title: 'Verdict',
    load: async () => ({ default: (await import('./verdict')).VerdictView }),
  },
  {
    path: 'handover',
    title: 'Handover',
    load: async () => ({ default: (await import('./handover')).Handover }),
  },
  { path: 'known', title: 'What is known', load: async () => ({ default: (await import('./known')).Known }) },
];

// Each view is fetched when it is first shown, the one the address names while the rest still starts.
const named = location.pathname.split('/').at(-1) || 'verdict';
const first = [...PAGES, ...STAGES].find(({ path }) => path.split('/')[0] === named);
if (first) void first.load().catch(() => undefined);
const loadFrame = async () => ({ default: (await import('./ui/job')).JobFrame });
if (first && !PAGES.includes(first)) void loadFrame().catch(() => undefined);
const JobFrame = lazyView(loadFrame, true);

/** A view as a route: its page bears its title, a stage's that of the job too. */
const routes = (views: readonly View[]) =>
  views.map(({ path, title, load }) => {
    const Shown = lazyView(load);
    return { path, element: <Titled title={title} of={Shown} /> };
  });

function Titled({ title, of: Shown }: { title: string; of: ComponentType }) {
  const { id } = useParams();
  const job = useJobs((s) => (id === undefined ? undefined : s.jobs[id]?.title));
  useEffect(() => {
    document.title = [title, job, 'Kymar'].filter(Boolean).join(' · ');
  }, [title, job]);
  return <Shown />;
}
const pages = routes(PAGES);
const stages = routes(STAGES);

/** What a stopped server would keep back is fetched while there is nothing else to do. */
export function fetchTheRest(): void {
  const rest = () => {
    for (const load of [
      ...[...PAGES, ...STAGES].map((view) => view.load),
      loadFrame,
      loadRules,
      () => import('./ui/jobstrip'),
      () => import('./ui/working'),
      () => import('./ui/unbuilt'),
      () => import('./ui/headline'),
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
  setTimeout(() => void loadRules().catch(() => undefined), 1500);
  setTimeout(
    () => ('requestIdleCallback' in globalThis ? requestIdleCallback(rest, { timeout: 10_000 }) : rest()),
    3000,
  );
}

/** Whether somebody was sent round already, in this visit: it comes once. */
let isShownRound = false;

/** A first visit opens on the finished demo job, every later one on the list. */
function Entrance() {
  const fresh = useStatus((s) => s.fresh);
  const isFirst = fresh !== null && !isShownRound;
  useEffect(() => {
    if (isFirst) isShownRound = true;
  }, [isFirst]);
  return fresh ? (
    <Navigate replace to={`/jobs/${fresh}/verdict`} state={isFirst ? { tour: 0, job: fresh } : null} />
  ) : (
    <Navigate replace to="/jobs" />
  );
}

export function Router() {
  return (
    <BrowserRouter>
      <Routes>
        <Route Component={Shell}>
          <Route index Component={Entrance} />
          {pages.map(({ path, element }) => (
            <Route key={path} path={path} element={element} />
          ))}
          <Route path="jobs/:id" Component={JobFrame}>
            <Route index element={<Navigate replace to="brief" />} />
            {stages.map(({ path, element }) => (
              <Route key={path} path={path} element={element} />
            ))}
          </Route>
          <Route path="*" element={<Navigate replace to="/jobs" />} />
        </Route>
      </Routes>
    </BrowserRouter>
  );
}
