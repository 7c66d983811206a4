import { AddIcon, LockIcon, LockOpenIcon } from '../ui/icons';
import { Autocomplete, Box, Button, IconButton, TextField, Typography } from '@mui/material';
import { memo, Suspense, useState } from 'react';
import {
  ARRAY_NAMES,
  cannot,
  LOCKABLE,
  type Lockable,
  type SegmentId,
  type Path,
} from '@kymar/core/assembly';
import type { Brief } from '@kymar/core/job';
import { nameOf, type Accessory, type ArrayMode, type Hop } from '@kymar/core/catalog/parts';
import { changeBuild, type Placed } from '../state/placed';
import { shopNow, useShop } from '../state/shop';
import { useJob, usePlace } from '../ui/job';
import { kindOfSegment } from '../ui/segment';
import { Panel } from '../ui/panel';
import { patientLazy } from '../ui/lazy';
import { Pick } from '../ui/pick';
import { OpeningOver } from '../ui/waiting';

const AlternativesMenu = patientLazy(() => import('../ui/alternatives'));
type Build = NonNullable<Brief['build']>;
const isLockable = (segment: SegmentId): segment is Lockable => LOCKABLE.some((id) => id === segment);

/** The build segment by segment, what stands between, how many drives at once, and the kit list. */
export function BuildPanel({ path }: { path: Path }) {
  const { direction } = useJob();
  const at = usePlace();
  const [open, setOpen] = useState<{ segment: SegmentId; anchor: HTMLElement } | null>(null);
  const build = at.build!;
  const set = (part: Partial<Build>) => changeBuild(at, (b) => ({ ...b, ...part }));
  const isLocked = (segment: Lockable) => build.locked?.includes(segment) === true;
  const lock = (segment: Lockable) => {
    const list = isLocked(segment)
      ? build.locked!.filter((j) => j !== segment)
      : [...(build.locked ?? []), segment];
    set({ locked: list.length > 0 ? list : undefined });
  };
  const rows: { segment: SegmentId; name: string; detail: string }[] = path.segments
    .filter((j) => j.id !== 'host' && j.id !== 'system')
    .map((j) => ({ segment: j.id, name: nameAt(build, j.id) ?? j.part, detail: j.detail }));
  if (!build.bridge)
    rows.splice(1, 0, {
      segment: 'bridge',
      name: 'None',
      detail: build.drive.sealed ? 'sealed in its own case' : 'straight into the host',
    });
  if (!build.cable) rows.splice(2, 0, { segment: 'cable', name: 'None', detail: '' });
  return (
    <Panel title="The build">
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid' }}>
        {rows.map(({ segment, name, detail }) => (
          <Box
            component="li"
            key={segment}
            sx={{
              display: 'grid',
              gridTemplateColumns: '64px minmax(0, 1fr) auto auto',
              gap: 1,
              alignItems: 'center',
              py: 0.5,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Typography variant="caption" color="textSecondary">
              {kindOf(segment)}
            </Typography>
            <Box sx={{ minWidth: 0 }} data-named>
              <Typography variant="body2" noWrap title={name} sx={{ fontWeight: 620 }}>
                {name}
              </Typography>
              <Typography variant="caption" color="textSecondary" component="div" noWrap title={detail}>
                {detail}
              </Typography>
            </Box>
            {isLockable(segment) ? (
              <IconButton
                size="small"
                aria-pressed={isLocked(segment)}
                aria-label={`${kindOf(segment)}: lock ${name}`}
                title={
                  isLocked(segment)
                    ? 'Locked: no change elsewhere and no fix swaps it'
                    : 'Lock it, so that no change elsewhere swaps it'
                }
                onClick={() => lock(segment)}
              >
                {isLocked(segment) ? <LockIcon fontSize="small" /> : <LockOpenIcon fontSize="small" />}
              </IconButton>
            ) : (
              <span />
            )}
            <Button
              size="small"
              aria-label={`${kindOf(segment)}: change ${name}`}
              onClick={(event) => setOpen({ segment, anchor: event.currentTarget })}
            >
              Change
            </Button>
          </Box>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', mt: 1, flexWrap: 'wrap' }}>
        <Button
          size="small"
          startIcon={<AddIcon />}
          disabled={(build.hops?.length ?? 0) >= 8}
          onClick={() => addHub(at)}
        >
          Put a hub or dock between
        </Button>
        {(build.bridge?.bays ?? 1) > 1 && (
          <Pick
            label="Drives at once"
            value={Math.min(build.together ?? 1, build.bridge!.bays!)}
            options={Array.from({ length: build.bridge!.bays! }, (_, i) => [
              i + 1,
              `${i + 1} of ${build.bridge!.bays}`,
            ])}
            onValue={(together) => set({ together, array: undefined })}
            sx={{ width: 140 }}
          />
        )}
        {(build.bridge?.bays ?? 1) > 1 && (build.together ?? 1) > 1 && (
          <ArrayChoice build={build} onArray={(array) => set({ array })} />
        )}
      </Box>
      <Kit list={build.accessories ?? NO_PARTS} at={at} />
      <Suspense fallback={<OpeningOver />}>
        {open && (
          <AlternativesMenu
            anchor={open.anchor}
            at={at}
            segment={open.segment}
            direction={direction}
            close={() => setOpen(null)}
          />
        )}
      </Suspense>
    </Panel>
  );
}

/** A way of putting drives together: its name and what that is. */
const modeWords = (mode: ArrayMode): string => {
  const { name, is } = ARRAY_NAMES[mode];
  return is ? `${name} (${is})` : name;
};

const STRIPED: readonly ArrayMode[] = ['stripe', 'parity', 'double parity', 'stripe of mirrors'];

/** How the drives of the bays are put together: what so many drives allow, and what the box or the system makes. */
function ArrayChoice({ build, onArray }: { build: Build; onArray(array: Build['array']): void }) {
  const members = build.together ?? 1;
  const own = build.bridge?.arrays ?? [];
  const modes = (Object.keys(ARRAY_NAMES) as ArrayMode[]).filter(
    (mode) => mode === 'single' || cannot({ mode, members }) === null,
  );
  const options = modes.flatMap((mode) =>
    mode === 'single'
      ? [{ key: 'single', words: modeWords('single') }]
      : [
          ...(own.includes(mode)
            ? [{ key: `${mode}/firmware`, words: `${modeWords(mode)}, by the enclosure` }]
            : []),
          { key: `${mode}/system`, words: `${modeWords(mode)}, by the system` },
        ],
  );
  const value =
    build.array && build.array.mode !== 'single' ? `${build.array.mode}/${build.array.by}` : 'single';
  const { array } = build;
  return (
    <>
      <Pick
        label="Put together"
        value={options.some((o) => o.key === value) ? value : 'single'}
        options={options.map(({ key, words }) => [key, words])}
        onValue={(v) => {
          const [mode, by] = v.split('/') as [ArrayMode, 'firmware' | 'system' | undefined];
          onArray(
            by
              ? { mode, by, ...(build.array?.strip === undefined ? {} : { strip: build.array.strip }) }
              : undefined,
          );
        }}
        sx={{ minWidth: 190 }}
      />
      {array && STRIPED.includes(array.mode) && (
        <Pick
          label="Stripe size"
          value={array.strip ?? 0}
          options={[...new Set([0, ...STRIPES, array.strip ?? 0])]
            .sort((a, b) => a - b)
            .map((strip) => [strip, strip === 0 ? 'not known' : `${strip / 1024} KiB`])}
          onValue={(strip) => {
            const { strip: _, ...rest } = array;
            onArray(strip > 0 ? { ...rest, strip } : rest);
          }}
          sx={{ minWidth: 120 }}
        />
      )}
    </>
  );
}

/** B of a piece that goes to one drive of an array. */
const STRIPES = [16, 32, 64, 128, 256, 512, 1024].map((kib) => kib * 1024);

const kindOf = (segment: SegmentId): string =>
  segment === 'bridge' ? 'Enclosure or card' : kindOfSegment(segment);

function nameAt(build: Build, segment: SegmentId): string | undefined {
  if (segment === 'drive') return nameOf(build.drive);
  if (segment === 'bridge') return build.bridge ? nameOf(build.bridge) : undefined;
  if (!segment.startsWith('hub-')) return undefined;
  const hop = build.hops?.[Number(segment.slice(4))];
  return hop && `${nameOf(hop.hub)}, ${hop.hub.ports.find((p) => p.id === hop.port)?.position ?? hop.port}`;
}

/** Puts the first hub between whose plug a cable of the shop joins to the host's port; the device then hangs on its first port of the right shape. */
function addHub(at: Placed): void {
  const { host, build } = at;
  const shop = shopNow();
  const up = host.ports.find((p) => p.id === build!.port)!.connector;
  const wanted =
    build!.cable?.ends.find((end) => end !== (build!.bridge?.plug ?? build!.drive.plug)) ??
    build!.cable?.ends[1] ??
    up;
  const candidates: Hop[] = shop.hubs.flatMap((hub) => {
    const cable = shop.cables.find(
      ({ ends: [a, b] }) => (a === hub.plug && b === up) || (b === hub.plug && a === up),
    );
    const port = hub.ports.find((p) => p.connector === wanted) ?? hub.ports[0]!;
    return cable ? [{ hub, port: port.id, cable }] : [];
  });
  const hop =
    candidates[0] ??
    (shop.hubs[0] && shop.cables[0]
      ? { hub: shop.hubs[0], port: shop.hubs[0].ports[0]!.id, cable: shop.cables[0] }
      : null);
  if (hop) changeBuild(at, (b) => ({ ...b, hops: [...(b.hops ?? []), hop] }));
}

const NO_PARTS: readonly Accessory[] = [];

/** The small parts that must be in the bag before the first screw. Drawn anew only when they change. */
const Kit = memo(function Kit({ list, at }: { list: readonly Accessory[]; at: Placed }) {
  const { accessories } = useShop();
  return (
    <Autocomplete
      multiple
      size="small"
      options={accessories}
      value={[...list]}
      groupBy={(a) => a.kind}
      getOptionLabel={nameOf}
      getOptionKey={(a) => a.id}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      onChange={(_, accessories) => changeBuild(at, (b) => ({ ...b, accessories }))}
      renderInput={(params) => (
        <TextField
          {...params}
          label="Kit list"
          placeholder={list.length === 0 ? 'Pad, heatsink, screws, leads …' : ''}
        />
      )}
      sx={{ mt: 1.5 }}
    />
  );
});
