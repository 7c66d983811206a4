import { Box, Button, Typography } from '@mui/material';
import { SURE } from '@kymar/core/choice';
import type { WorthFinding, Situation } from '@kymar/core/forecast';
import { DeviceNeeds } from '@kymar/core/job';
import { wordsOf } from '@kymar/core/units';
import { worthSaid } from '@kymar/core/statements';
import { useAnswer } from '../state/gate';
import { useSettings } from '../state/settings';
import { worthOf } from '../workers';
import { bringForward } from './fold';
import { Told } from './told';

/** Where it is typed how full a drive is kept. */
const FILL = wordsOf(DeviceNeeds.shape.fill)!.label;

/** What is worth finding out of a situation; null until it is known. */
function useWorth(situation: Situation | null): WorthFinding[] | null {
  const sure = useSettings((s) => s.sure) ?? SURE;
  return useAnswer(situation && worthOf(situation, sure)).data ?? null;
}

/**
 * What to find out before a target is promised, each in a sentence with its minutes and how often it changes the promise.
 * @param brief only what there is, the first of each activity
 */
export function WorthFindingOut({
  situation,
  brief = false,
  toHand = true,
  of,
}: {
  situation: Situation | null;
  brief?: boolean;
  /** Whether the drive is there: what is still to be bought cannot be timed. */
  toHand?: boolean;
  /** The build it is asked of, where that is none of the job's. */
  of?: string;
}) {
  const all = useWorth(situation);
  const found = all?.map((one) => ({ ...one, list: one.list.filter((w) => toHand || !w.onDrive) }));
  const names = new Map(situation?.activities.map((a) => [a.id, a.name]));
  const shown = (found ?? []).filter(
    ({ list, now, sure }) => list.length > 0 || (!brief && toHand && now < sure),
  );
  if (shown.length === 0) return null;
  return (
    <Box component="section" aria-label="Worth finding out" sx={{ mt: 1.5 }}>
      <Typography variant="h3">Worth finding out</Typography>
      {shown.map((one) => (
        <Box key={one.activity} sx={{ mt: 0.5 }}>
          <Typography variant="body2" color="textSecondary">
            <span data-named>{names.get(one.activity)}</span>
          </Typography>
          <Box
            component="ul"
            sx={{
              m: 0,
              pl: one.list.length === 0 ? 0 : 2.25,
              listStyle: one.list.length === 0 ? 'none' : undefined,
              typography: 'body2',
              '& li:first-of-type': { fontWeight: one.list.length === 0 ? undefined : 600 },
            }}
          >
            {worthSaid(one, of)
              .slice(0, brief ? 1 : 3)
              .map(({ worth }, i) => (
                <li key={worth!.id}>
                  <Told of={worth} />
                  {brief && one.list[i]?.id === 'ask fill' && (
                    <Button size="small" onClick={() => bringForward('brief.device', FILL)} sx={{ ml: 1 }}>
                      Answer it
                    </Button>
                  )}
                </li>
              ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
