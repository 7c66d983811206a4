import { Box, Button, MenuItem, Table, TableBody, TableCell, TableHead, TableRow, TextField, Typography } from '@mui/material';
import { BRIDGES, CABLES, DRIVES } from '@kymar/core/demo';
import { rebuild } from '@kymar/core/job';
import { findings, explainFlow, type Path } from '@kymar/core/path';
import type { Direction } from '@kymar/core/links';
import { format } from '@kymar/core/units';
import { alternatives, flowOf } from '../state/alternatives';
import { pathOfJob } from '../state/derived';
import { changeJob } from '../state/jobs';
import { Figure } from '../ui/figure';
import { useJob } from '../ui/job';
import { Panel } from '../ui/panel';
import { DriveSheet } from './drive';
import { Findings } from './findings';

/** The path joint by joint, what it carries, what stands in the way, and other parts beside what is. */
export function PathView() {
  const { job, direction } = useJob();
  const path = pathOfJob(job);
  if (!job.build || !path)
    return (
      <Panel title="Choose the parts" sx={{ maxWidth: 640 }}>
        <Typography sx={{ mb: 2 }}>Start with any build and change it joint by joint; the strip above shows at once what it does.</Typography>
        <Button variant="contained" onClick={() => changeJob(job.id, (j) => rebuild(j, { build: firstBuild(j.host) }))}>
          Put a first build together
        </Button>
      </Panel>
    );
  return (
    <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 9fr) minmax(0, 10fr)' }, alignItems: 'start' }}>
      <Box sx={{ display: 'grid', gap: 2 }}>
        <Parts />
        <DriveSheet drive={job.build.drive} onDrive={(drive) => changeJob(job.id, (j) => rebuild(j, { build: { ...j.build!, drive } }))} />
      </Box>
      <Box sx={{ display: 'grid', gap: 2 }}>
        <Findings list={findings(path, direction)} />
        <Joints path={path} direction={direction} />
      </Box>
    </Box>
  );
}

/** A build that fits the host: the first whose plugs match and whose ends share a mode. */
function firstBuild(host: Parameters<typeof flowOf>[0]['host']): NonNullable<Parameters<typeof flowOf>[1]> {
  const job = { host } as Parameters<typeof flowOf>[0];
  for (const drive of DRIVES)
    for (const bridge of [null, ...BRIDGES])
      for (const cable of [null, ...CABLES])
        for (const port of host.ports) {
          const build = { drive, bridge, cable, port: port.id };
          if ((flowOf(job, build, 'write') ?? 0) > 0) return build;
        }
  return { drive: DRIVES[0]!, bridge: BRIDGES[0]!, cable: CABLES[0]!, port: host.ports[0]!.id };
}

const PARTS = [
  ['drive', 'Drive'],
  ['bridge', 'Enclosure or adapter'],
  ['cable', 'Cable'],
  ['port', 'Port or slot'],
] as const;

function Parts() {
  const { job, direction } = useJob();
  return (
    <Panel title="The build">
      <Box sx={{ display: 'grid', gap: 1.75, gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)' }}>
        {PARTS.map(([joint, label]) => {
          const list = alternatives(job, joint);
          const taken = list.find((a) => a.taken);
          return (
            <TextField key={joint} select label={label} value={taken?.key ?? ''} onChange={(e) => changeJob(job.id, (j) => rebuild(j, { build: list.find((a) => a.key === e.target.value)!.build }))} slotProps={{ select: { renderValue: () => taken?.name ?? '' } }}>
              {list.map(({ key, name, build }) => {
                const flow = flowOf(job, build, direction);
                return (
                  <MenuItem key={key} value={key} sx={{ justifyContent: 'space-between', gap: 3 }}>
                    <span>{name}</span>
                    <Typography component="span" variant="body2" color={flow === null ? 'error' : 'textSecondary'}>
                      {flow === null ? 'nothing flows' : format(flow, 'B/s')}
                    </Typography>
                  </MenuItem>
                );
              })}
            </TextField>
          );
        })}
      </Box>
    </Panel>
  );
}

function Joints({ path, direction }: { path: Path; direction: Direction }) {
  const bottleneck = path.bottleneck?.[direction];
  return (
    <Panel title={`What each joint allows, ${direction === 'read' ? 'reading' : 'writing'}`} aside={path.flow && <Typography variant="body2">Flow: <Figure of={() => explainFlow(path, direction)}>{format(path.flow[direction].expected, 'B/s')}</Figure></Typography>}>
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>Joint and how it runs</TableCell>
            <TableCell align="right">Ceiling, MB/s</TableCell>
            <TableCell align="right">Expected, MB/s</TableCell>
            <TableCell align="right">In nine of ten, MB/s</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {path.constraints.map((constraint) => {
            const rate = constraint.rate[direction];
            const narrowest = constraint === bottleneck?.constraint;
            return (
              <TableRow key={constraint.id} sx={narrowest ? { '& td': { color: 'var(--mui-palette-narrow)', fontWeight: 600 } } : undefined}>
                <TableCell>
                  {constraint.name}
                  {narrowest && ' · narrowest'}
                  <Typography variant="caption" color="textSecondary" component="div">
                    {constraint.link?.reason ?? ROLE[constraint.id]}
                  </Typography>
                </TableCell>
                <TableCell align="right">{constraint.ceiling === null ? 'none' : mb(constraint.ceiling)}</TableCell>
                <TableCell align="right">
                  <Figure of={() => constraint.explain(direction)}>{mb(rate.expected)}</Figure>
                </TableCell>
                <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                  {mb(rate.low)} to {mb(rate.high)}
                </TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      {bottleneck?.next && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          If the narrowest were gone, {bottleneck.next.name} would decide, at {format(bottleneck.next.rate.expected, 'B/s')}.
        </Typography>
      )}
    </Panel>
  );
}

const ROLE = { media: 'the drive itself, cache fresh', inner: '', bridge: 'as the enclosure’s chip is stated', outer: '', other: 'the built-in drive at the other end of the copy' } as const;
const mb = (rate: number) => (rate / 1e6).toLocaleString('en-GB', { maximumFractionDigits: rate < 100e6 ? 1 : 0 });
