import {
  ArchiveOutlinedIcon,
  DeleteOutlineIcon,
  ContentCopyIcon,
  FileDownloadOutlinedIcon,
  UnarchiveOutlinedIcon,
} from '../ui/icons';
import { Box, Button, IconButton, Snackbar, TextField, Typography } from '@mui/material';
import { memo, useCallback, useDeferredValue, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { directionOf, machineNames, nextStage, STAGES, writeJob, type Job } from '@kymar/core/job';
import type { Host } from '@kymar/core/catalog/parts';
import { flowSaid, standingSaid } from '@kymar/core/statements';
import { calendarDay } from '@kymar/core/units';
import { pathAt } from '../state/derived';
import { useStages } from '../state/stages';
import { placedOf } from '../state/placed';
import { useVerdict } from '../state/verdict';
import { undo } from '../state/history';
import { changeJob, dropJobs, putJobs, useJobs } from '../state/jobs';
import { Guarded } from '../ui/boundary';
import { fileName, saveFile } from '../ui/files';
import { HostMenu } from '../ui/hostmenu';
import { Panel } from '../ui/panel';
import { STAGE_NAMES } from '../ui/stages';
import { MiniStrip } from '../ui/strip';
import { ImportDialog, useImport } from './import';
import { copyOf, newJob } from './new';
import { Pick } from '../ui/pick';
import { Told } from '../ui/told';
import { own } from '@kymar/core/text';

const PAGE = 50;
/** Rows that fill the first screen: the others come right after. */
const FIRST_ROWS = 10;

/** In which order jobs stand. */
const ORDERS: Record<string, { words: string; compare(a: Job, b: Job): number }> = {
  due: {
    words: 'Due first',
    compare: (a, b) => (a.due ?? '9999').localeCompare(b.due ?? '9999') || b.changed.localeCompare(a.changed),
  },
  changed: { words: 'Last changed first', compare: (a, b) => b.changed.localeCompare(a.changed) },
  title: { words: 'By title', compare: (a, b) => a.title.localeCompare(b.title, 'en') },
};

/** What a job is found by, made once for each state of it. */
const searchable = new WeakMap<Job, string>();
function textOf(job: Job): string {
  const had = searchable.get(job);
  if (had !== undefined) return had;
  const made = `${job.title} ${job.customer} ${job.contact ?? ''} ${machineNames(job)}`.toLowerCase();
  searchable.set(job, made);
  return made;
}

/** All jobs, those due first on top, each with its next action. */
export function Jobs() {
  const jobs = useJobs((s) => s.jobs);
  const navigate = useNavigate();
  // In the address, so that coming back finds it as it was left.
  const [params, setParams] = useSearchParams();
  const search = params.get('find') ?? '';
  const order = own(ORDERS, params.get('order') ?? '') ?? ORDERS.due!;
  const ask = (key: string, value: string) =>
    setParams(
      (before) => {
        if (value === '') before.delete(key);
        else before.set(key, value);
        return before;
      },
      { replace: true },
    );
  const [shown, setShown] = useState(PAGE);
  const rows = useDeferredValue(shown, FIRST_ROWS);
  const [removed, setRemoved] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const importing = useImport();
  const sought = useDeferredValue(search);
  const all = useMemo(() => Object.values(jobs).sort(order.compare), [jobs, order]);
  const stagesOf = useStages();
  const show = params.get('show') ?? '';
  const chosen = all.filter((job) => {
    if (show === 'archived' || job.archived) return (job.archived !== undefined) === (show === 'archived');
    if (show === 'overdue') return job.due !== null && job.due < today();
    return show === '' || nextStage(stagesOf(job)).stage === show;
  });
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const found =
    words.length === 0 ? chosen : chosen.filter((job) => words.every((w) => textOf(job).includes(w)));
  // A demo job that somebody changed is theirs.
  const demo = Object.values(jobs).filter((job) => job.id.startsWith('demo-'));
  const untouched = demo.filter((job) => job.revision === 1).map((job) => job.id);

  const bringBack = async () => {
    const { demoJobs } = await import('@kymar/core/demo');
    putJobs(
      demoJobs().filter((job) => !useJobs.getState().jobs[job.id]),
      'demo brought back',
    );
  };
  const create = (host?: Host) => {
    const job = newJob(host);
    putJobs([job]);
    void navigate(`/jobs/${job.id}/brief`);
  };
  const remove = useCallback((ids: readonly string[], name: string) => {
    dropJobs(ids);
    setRemoved(name);
  }, []);
  const removeOne = useCallback((job: Job) => remove([job.id], `“${job.title}”`), [remove]);

  return (
    <Box component="main" sx={{ px: 3, py: 3, maxWidth: 1280, width: '100%', mx: 'auto' }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mb: 2, flexWrap: 'wrap' }}>
        <Typography variant="h1" sx={{ flex: 1 }}>
          Jobs
        </Typography>
        {(all.length > 5 || show !== '' || all.some((job) => job.archived)) && (
          <>
            <Pick
              label="Show"
              value={show}
              options={[
                ['', 'All that is open'],
                ...STAGES.map((stage) => [stage, `Next is ${STAGE_NAMES[stage]}`] as const),
                ['overdue', 'Overdue'],
                ['archived', 'Archived'],
              ]}
              onValue={(v) => ask('show', v)}
              sx={{ width: 170 }}
            />
            <TextField
              label="Find"
              slotProps={{ htmlInput: { 'data-find': true } }}
              value={search}
              onChange={(e) => ask('find', e.target.value)}
            />
            <Pick
              label="Order"
              value={params.get('order') ?? 'due'}
              options={Object.entries(ORDERS).map(([id, { words }]) => [id, words])}
              onValue={(v) => ask('order', v === 'due' ? '' : v)}
              sx={{ width: 190 }}
            />
          </>
        )}
        <input
          ref={input}
          type="file"
          accept=".json,application/json"
          multiple
          hidden
          onChange={(e) => void importing.take(e.target.files).then(() => (e.target.value = ''))}
          data-testid="import-file"
        />
        <Button onClick={() => input.current?.click()}>Import job files</Button>
        {untouched.length > 0 ? (
          <Button onClick={() => remove(untouched, 'The demo')}>Remove the demo</Button>
        ) : (
          demo.length === 0 && <Button onClick={() => void bringBack()}>Bring the demo back</Button>
        )}
        <HostMenu label="New job for a machine" onHost={create} />
        <Button variant="contained" onClick={() => create()}>
          New job
        </Button>
      </Box>
      {all.length === 0 && (
        <Panel title="No jobs yet">
          <Typography sx={{ mb: 1.5 }}>
            A job is one customer’s machine and work: describe it, choose parts, forecast, measure, hand over.
          </Typography>
          <Button variant="contained" onClick={() => create()}>
            Describe the first job
          </Button>
        </Panel>
      )}
      {all.length > 0 && found.length === 0 && (
        <Typography color="textSecondary">
          {search !== ''
            ? `No job here holds “${search}”.`
            : show === ''
              ? 'All jobs are archived.'
              : 'None.'}
        </Typography>
      )}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0, display: 'grid', gap: 1.25 }}>
        {found.slice(0, rows).map((job) => (
          <Guarded key={job.id} name={`“${job.title}”`} job={job}>
            <Row job={job} onRemove={removeOne} />
          </Guarded>
        ))}
      </Box>
      {found.length > shown && (
        <Button sx={{ mt: 2 }} onClick={() => setShown(shown + PAGE)}>
          Show {Math.min(PAGE, found.length - shown)} more of {found.length}
        </Button>
      )}
      {importing.reading && (
        <Typography role="status" color="textSecondary" sx={{ mt: 2 }}>
          Reading …
        </Typography>
      )}
      <ImportDialog found={importing.found} dismiss={importing.dismiss} />
      <Snackbar
        open={removed !== null}
        autoHideDuration={12000}
        onClose={(_, reason) => reason !== 'clickaway' && setRemoved(null)}
        message={`${removed} is removed.`}
        action={
          <Button
            size="small"
            color="inherit"
            onClick={() => {
              undo();
              setRemoved(null);
            }}
          >
            Undo
          </Button>
        }
      />
    </Box>
  );
}

/** Typing in the search leaves the rows that stay as they are. */
const Row = memo(function Row({ job, onRemove }: { job: Job; onRemove(job: Job): void }) {
  const next = nextStage(useStages()(job));
  const [at = null] = placedOf(job);
  const path = pathAt(at);
  const direction = at?.activities[0] ? directionOf(at.activities[0]) : 'write';
  const flow = at && path ? flowSaid(at.place, path, direction).flow : undefined;
  const found = useVerdict(job);
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: {
          xs: '1fr auto',
          md: 'minmax(0, 1.5fr) minmax(0, 0.9fr) minmax(0, 0.9fr) minmax(0, 1fr) auto',
        },
        gap: 2,
        alignItems: 'center',
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
        px: 2,
        py: 2,
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography
          component={Link}
          to={`/jobs/${job.id}/${next.stage}`}
          variant="h2"
          sx={{
            color: 'text.primary',
            textDecoration: 'none',
            overflowWrap: 'anywhere',
            '&:hover': { color: 'primary.main' },
          }}
        >
          {job.title}
        </Typography>
        <Typography variant="body2" color="textSecondary" noWrap>
          {[job.customer, machineNames(job)].filter(Boolean).join(', ')}
        </Typography>
      </Box>
      <Box sx={{ display: { xs: 'none', md: 'block' } }}>
        {path ? (
          <MiniStrip path={path} direction={direction} />
        ) : (
          <Box sx={{ height: 34, border: '1px dashed', borderColor: 'divider', borderRadius: 1 }} />
        )}
      </Box>
      <Box>
        <Typography variant="body2" sx={{ fontWeight: 600 }}>
          <Told of={standingSaid(job, found, Boolean(at?.build))} />
        </Typography>
        <Typography variant="caption" color="textSecondary">
          {flow ? (
            <>
              path carries <Told of={flow} />
            </>
          ) : at?.build ? (
            'path blocked'
          ) : (
            'no path yet'
          )}
        </Typography>
      </Box>
      <Box>
        <Button
          component={Link}
          to={`/jobs/${job.id}/${next.stage}`}
          size="small"
          variant="outlined"
          aria-label={`${STAGE_NAMES[next.stage]}: ${next.next.toLowerCase()}, ${job.title}`}
          sx={{ whiteSpace: 'normal', textAlign: 'left', lineHeight: 1.25 }}
        >
          {STAGE_NAMES[next.stage]}: {next.next.toLowerCase()}
        </Button>
        {job.due && (
          <Typography
            variant="caption"
            color={job.due < today() ? 'error' : 'textSecondary'}
            component="div"
            sx={{ mt: 0.25, fontWeight: job.due < today() ? 600 : undefined }}
          >
            {job.due < today() ? 'overdue since' : 'due'} {calendarDay(job.due)}
          </Typography>
        )}
      </Box>
      <Box sx={{ display: 'flex' }}>
        <IconButton
          size="small"
          aria-label={`Duplicate ${job.title}`}
          title="Duplicate: the same brief and parts, nothing measured"
          onClick={() => putJobs([copyOf(job)], `“${job.title}” duplicated`)}
        >
          <ContentCopyIcon fontSize="small" />
        </IconButton>
        <IconButton
          size="small"
          aria-label={`Export ${job.title}`}
          title="Export as a job file"
          onClick={() => saveFile(fileName(job.title, 'kymar.json'), writeJob(job), 'application/json')}
        >
          <FileDownloadOutlinedIcon fontSize="small" />
        </IconButton>
        <IconButton
          size="small"
          aria-label={`${job.archived ? 'Take out of the archive:' : 'Archive'} ${job.title}`}
          title={job.archived ? 'Take out of the archive' : 'Archive: kept, out of this list'}
          onClick={() => changeJob(job.id, archiving)}
        >
          {job.archived ? (
            <UnarchiveOutlinedIcon fontSize="small" />
          ) : (
            <ArchiveOutlinedIcon fontSize="small" />
          )}
        </IconButton>
        <IconButton
          size="small"
          aria-label={`Remove ${job.title}`}
          title="Remove (can be undone)"
          onClick={() => onRemove(job)}
        >
          <DeleteOutlineIcon fontSize="small" />
        </IconButton>
      </Box>
    </Box>
  );
});

/** Into the archive, or out of it. */
function archiving({ archived, ...job }: Job): Job {
  return archived ? job : { ...job, archived: new Date().toISOString() };
}

/** The day of today, as a due date is written. */
const today = (): string => new Date().toISOString().slice(0, 10);
