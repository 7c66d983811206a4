import { Box, Button, Typography } from '@mui/material';
import type { Result, Rig, PracticeStep } from '@kymar/core/practice';
import { LEVELS } from '@kymar/core/practice';
import { isLinkId, linkById } from '@kymar/core/catalog/links';
import { format } from '@kymar/core/units';
import { unbroken } from '../ui/figure';
import { Panel } from '../ui/panel';
import { Cells, oneLine } from '../ui/cells';
import { Stack } from '../ui/layout';

export const minutesWords = (minutes: number): string =>
  minutes < 1.5 ? 'a minute' : unbroken(format(minutes * 60, 's', 2));

/** What a step gave, in words. */
export const gave = ({ seconds, seen }: Result): string =>
  seconds !== null
    ? unbroken(format(seconds, 's'))
    : seen && isLinkId(seen)
      ? linkById(seen).name
      : (seen ?? '');

/** The rig: what it is, what was timed and seen so far, what can be done next. @param onStep null: it is over */
export function PracticeBench({
  rig,
  level,
  onStep,
}: {
  rig: Rig;
  level: number;
  onStep: ((step: PracticeStep) => void) | null;
}) {
  const title = LEVELS.find(({ id }) => id === level)?.title ?? '';
  return (
    <Stack gap={2}>
      <Panel
        title={rig.device}
        aside={
          <Typography sx={{ fontWeight: 620, fontVariantNumeric: 'tabular-nums' }} role="status">
            {rig.done.length === 0 ? 'Nothing spent yet' : `${minutesWords(rig.minutes)} spent`}
          </Typography>
        }
      >
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
          Level {level}: {title.charAt(0).toLowerCase() + title.slice(1)}. On {rig.machine}, {rig.port}
          {rig.cable ? `, with ${rig.cable}` : ''}.
        </Typography>
        <Cells
          of={[...rig.before, ...rig.done]}
          label="What was timed and seen"
          columns={({ left, right }) => [
            left('Timed or looked at', ({ activity, look, seconds }) => (
              <>
                {seconds === null ? rig.titles[look ?? ''] : rig.work[activity]!.name}
                {seconds !== null && rig.titles[look ?? ''] && (
                  <Typography variant="caption" component="div" color="textSecondary">
                    {rig.titles[look ?? '']}
                  </Typography>
                )}
              </>
            )),
            right(
              'As forecast',
              ({ activity, look }) => {
                const { low, high } = rig.work[activity]!.forecast;
                return look === null ? unbroken(`${format(low, 's', 2)} to ${format(high, 's', 2)}`) : '';
              },
              oneLine,
            ),
            right('It was', gave, { ...oneLine, fontWeight: 620 }),
          ]}
        />
      </Panel>
      {onStep && (
        <Panel title="Look or time">
          {rig.work.map((work, activity) => {
            const own = rig.actions.filter((a) => a.activity === activity);
            if (own.length === 0) return null;
            return (
              <Box key={work.name} component="section" aria-label={work.name} sx={{ mb: 1.5 }}>
                <Typography variant="h3" sx={{ mb: 0.5 }}>
                  {work.name}
                </Typography>
                <Box
                  sx={{
                    display: 'grid',
                    gap: 0.75,
                    gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: 'repeat(2, minmax(0, 1fr))' },
                  }}
                >
                  {own.map((action) => (
                    <Button
                      key={action.look}
                      size="small"
                      variant="outlined"
                      onClick={() => onStep({ activity, look: action.look })}
                      sx={{
                        justifyContent: 'space-between',
                        gap: 1.5,
                        textAlign: 'left',
                        whiteSpace: 'normal',
                        lineHeight: 1.3,
                      }}
                    >
                      <span>{action.title}</span>
                      <Box component="span" sx={{ color: 'text.secondary', whiteSpace: 'nowrap' }}>
                        {minutesWords(action.minutes)}
                      </Box>
                    </Button>
                  ))}
                </Box>
              </Box>
            );
          })}
        </Panel>
      )}
    </Stack>
  );
}
