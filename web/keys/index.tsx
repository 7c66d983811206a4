import { Suspense, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useLocation, useNavigate } from 'react-router';
import { useSettings } from '../state/settings';
import { patientLazy } from '../ui/lazy';
import { STAGE_KEYS, VIEW_KEYS } from './table';

const Palette = patientLazy(async () => ({ default: (await import('./palette')).Palette }));
const Sheet = patientLazy(async () => ({ default: (await import('./sheet')).Sheet }));

const JOB = /^\/jobs\/([^/]+)/;
/** Puts the cursor where this view is searched. @returns whether there is such a place */
function findHere(): boolean {
  const field = document.querySelector<HTMLInputElement>('main [data-find]');
  field?.focus();
  return field !== null;
}

/** The keys that work wherever one is, but for single ones in a field, or where they are switched off [WCAG 2.1.4]. */
export function Keys() {
  const [open, setOpen] = useState<'palette' | 'sheet' | null>(null);
  const navigate = useNavigate();
  const { pathname, search } = useLocation();
  const enabled = useSettings((s) => s.singleKeys) !== false && open === null;
  const job = JOB.exec(pathname)?.[1];
  const single = { enabled, useKey: true, preventDefault: true, eventListenerOptions: { capture: true } };
  const go = (letter: string) => {
    const view = VIEW_KEYS.find(([key]) => key === letter)?.[1];
    const stage = STAGE_KEYS.find(([key]) => key === letter)?.[1];
    if (view) void navigate(view);
    else if (job && stage) void navigate({ pathname: `/jobs/${job}/${stage}`, search });
  };
  useHotkeys(
    [...VIEW_KEYS, ...STAGE_KEYS].map(([letter]) => `g>${letter}`),
    (event) => {
      // A clock takes some of these letters when they come alone.
      event.stopImmediatePropagation();
      go(event.key.toLowerCase());
    },
    single,
  );
  useHotkeys('/', () => findHere() || setOpen('palette'), single);
  useHotkeys('?', () => setOpen('sheet'), { ...single, ignoreModifiers: true });
  useHotkeys('mod+k', () => setOpen('palette'), { enableOnFormTags: true, preventDefault: true });
  const shut = () => setOpen(null);
  return (
    <Suspense fallback={null}>
      {open === 'palette' && (
        <Palette onShut={shut} job={job} search={search} onKeys={() => setOpen('sheet')} />
      )}
      {open === 'sheet' && <Sheet onShut={shut} />}
    </Suspense>
  );
}
