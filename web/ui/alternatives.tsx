import { Autocomplete, Box, Popover, TextField, Typography } from '@mui/material';
import { useMemo, useRef, useState } from 'react';
import { Link } from 'react-router';
import { withBuild, withHost } from '@kymar/core/job';
import type { Placed } from '../state/placed';
import type { Direction } from '@kymar/core/catalog/links';
import { nameOf, type PartKind, type Part, type Shop } from '@kymar/core/catalog/parts';
import type { SegmentId } from '@kymar/core/assembly';
import { optionsAt, type PartOption } from '@kymar/core/choice';
import { findings } from '@kymar/core/fit';
import { settingOf } from '../state/models';
import { format } from '@kymar/core/units';
import { changeJob } from '../state/jobs';
import { useShop } from '../state/shop';
import { useSituation } from '../state/situation';
import { kindOfSegment } from './segment';

/** As many are worked out at once; of a larger library what is typed says which. */
const MOST = 160;

function narrowed(shop: Shop, segment: SegmentId, text: string): { shop: Shop; left: number } {
  const list = (
    { drive: 'drives', bridge: 'bridges', cable: 'cables' } as Partial<Record<SegmentId, PartKind>>
  )[segment];
  if (!list || shop[list].length <= MOST) return { shop, left: 0 };
  const words = text.toLowerCase().split(/\s+/);
  const found = (shop[list] as Part[]).filter((part) =>
    words.every((word) => nameOf(part).toLowerCase().includes(word)),
  );
  return {
    shop: { ...shop, [list as string]: found.slice(0, MOST) },
    left: Math.max(0, found.length - MOST),
  };
}

/** Working ones first, the fastest on top; what blocks stands at the end with its reason. */
const order = (a: PartOption, b: PartOption) =>
  Number(a.flow === null) - Number(b.flow === null) || (b.flow ?? 0) - (a.flow ?? 0);

/** What else could stand at a segment, with what it would change, one key or click away. */
export default function AlternativesMenu({
  anchor,
  at,
  segment,
  direction,
  close,
}: {
  anchor: HTMLElement;
  at: Placed;
  segment: SegmentId;
  direction: Direction;
  close(): void;
}) {
  const shop = useShop();
  const [text, setText] = useState('');
  /** What does not work here and was pressed once: it is taken by a second press, seen. */
  const [warned, setWarned] = useState<string | null>(null);
  const isHeld = useRef(false);
  const [within, left] = useMemo(() => {
    const found = narrowed(shop, segment, text);
    return [found.shop, found.left] as const;
  }, [shop, segment, text]);
  const situation = useSituation(at);
  const list = useMemo(
    () => (situation ? optionsAt(situation, within, segment, direction).sort(order) : []),
    [situation, within, segment, direction],
  );
  const take = ({ situation: { host, activities: tried }, build }: PartOption) => {
    changeJob(at.job, (j) => {
      const activities = j.activities.map((a) => tried.find((changed) => changed.id === a.id) ?? a);
      const on = host === at.host ? j : withHost(j, at.place.machine, host);
      return withBuild({ ...on, activities }, at.place, build);
    });
    close();
  };
  return (
    <Popover
      open
      anchorEl={anchor}
      onClose={close}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      slotProps={{ paper: { sx: { border: 1, borderColor: 'divider', width: 560, maxWidth: '96vw', p: 1 } } }}
    >
      <Autocomplete
        open
        disablePortal
        autoHighlight
        options={list}
        value={list.find((c) => c.taken) ?? null}
        getOptionKey={(c) => c.key}
        getOptionLabel={(c) => c.name}
        isOptionEqualToValue={(a, b) => a.key === b.key}
        inputValue={text}
        onInputChange={(_, typed, reason) => (reason === 'input' || reason === 'clear') && setText(typed)}
        onChange={(_, choice) => {
          if (!choice) return;
          const isUnseen = choice.flow === null && !choice.taken && choice.key !== warned;
          isHeld.current = isUnseen;
          if (isUnseen) setWarned(choice.key);
          else take(choice);
        }}
        onClose={(_, reason) => {
          const isHeldNow = isHeld.current;
          isHeld.current = false;
          // What is there already is taken by leaving it.
          if (reason === 'escape' || (reason === 'selectOption' && !isHeldNow)) close();
        }}
        noOptionsText="Nothing in the library is called that."
        forcePopupIcon={false}
        disableClearable={false}
        slotProps={{
          popper: {
            sx: { position: 'static !important', transform: 'none !important', width: '100% !important' },
          },
          paper: { sx: { bgcolor: 'transparent' } },
          listbox: { sx: { maxHeight: 380, p: 0, mt: 0.5 } },
        }}
        renderInput={(params) => (
          <TextField
            {...params}
            autoFocus
            label={`Change the ${kindOfSegment(segment).toLowerCase()}`}
            placeholder="Type to search"
            helperText={left > 0 ? `${left} more: type to narrow` : undefined}
          />
        )}
        renderOption={({ key, ...props }, choice) => (
          <OptionLine
            key={key}
            choice={choice}
            direction={direction}
            isWarned={choice.key === warned}
            props={props}
          />
        )}
      />
      {segment === 'host' && (
        <Typography
          component={Link}
          variant="body2"
          to={`/jobs/${at.job}/brief${at.search}`}
          onClick={close}
          sx={{ display: 'block', p: 1, color: 'primary.main' }}
        >
          Card readers, shares and other drives are entered in the brief, with the machine
        </Typography>
      )}
    </Popover>
  );
}

function OptionLine({
  choice: { name, beside, flow, gain, taken, situation },
  direction,
  isWarned,
  props,
}: {
  direction: Direction;
  choice: PartOption;
  isWarned: boolean;
  props: React.HTMLAttributes<HTMLLIElement>;
}) {
  const why = useMemo(
    () =>
      flow === null
        ? findings(settingOf(situation, direction)).find((f) => f.severity === 'blocks')?.title
        : undefined,
    [flow, situation, direction],
  );
  const told =
    gain !== null && Math.abs(gain) > 1e6 ? `${gain > 0 ? '+' : '−'}${format(Math.abs(gain), 'B/s')}` : '';
  return (
    <Box
      component="li"
      {...props}
      sx={{
        display: 'grid !important',
        gridTemplateColumns: 'minmax(0, 1fr) auto 7.5em',
        columnGap: 1.5,
        alignItems: 'baseline',
        py: '3px !important',
        fontWeight: taken ? 650 : 400,
      }}
    >
      <Box component="span" sx={{ color: flow === null ? 'text.secondary' : 'text.primary' }}>
        {name}
        {taken && ' (now)'}
        {beside && (
          <Typography component="span" variant="caption" color="textSecondary">
            {' '}
            {beside}
          </Typography>
        )}
        {why && (
          <Typography variant="caption" component="div" sx={{ color: 'error.main' }}>
            {why}
          </Typography>
        )}
        {isWarned && (
          <Typography variant="caption" component="div" role="alert" sx={{ fontWeight: 650 }}>
            It does not work here. Press again to take it all the same.
          </Typography>
        )}
      </Box>
      <Typography
        component="span"
        variant="body2"
        sx={{ textAlign: 'right', color: flow === null ? 'error.main' : 'text.primary' }}
      >
        {flow === null ? 'blocked' : format(flow, 'B/s')}
      </Typography>
      <Typography
        component="span"
        variant="body2"
        sx={{ textAlign: 'right', color: gain !== null && gain > 0 ? 'primary.main' : 'text.secondary' }}
      >
        {told}
      </Typography>
    </Box>
  );
}
