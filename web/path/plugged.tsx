import { moment } from '@kymar/core/units';
import { Alert, Box, Button, Typography } from '@mui/material';
import { useState } from 'react';
import { judgeLink } from '@kymar/core/catalog/negotiated';
import { linkById, modesOf } from '@kymar/core/catalog/links';
import type { Path } from '@kymar/core/assembly';
import { changeBuild, type Placed } from '../state/placed';
import { useAnswer } from '../state/gate';
import { PLUGGED } from '../state/here';
import { Panel } from '../ui/panel';

/** What the system says of drives plugged into this machine, offered as the path's fact. */
export function Plugged({ at, path }: { at: Placed; path: Path }) {
  const [isAsked, setAsked] = useState(false);
  const { data: found = null, problem, again } = useAnswer(isAsked ? PLUGGED : null);
  const { seen } = at.build!;
  const set = (fact: typeof seen) =>
    changeBuild(at, ({ seen: _, ...rest }) => (fact ? { ...rest, seen: fact } : rest));
  // Only what the outermost link could be at all is offered as its fact.
  const could = modesOf(
    path.parts.drive.sealed || !path.parts.bridge ? path.parts.drive.modes : path.parts.bridge.outer,
  );
  return (
    <Panel
      title="Plugged in here"
      aside={
        <Button size="small" onClick={isAsked ? again : () => setAsked(true)}>
          {found ? 'Look again' : 'Look'}
        </Button>
      }
    >
      {seen && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline', mb: 1 }}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            Taken over: {seen.device} runs {linkById(seen.link).name}, seen {moment(seen.at)}.
          </Typography>
          <Button size="small" onClick={() => set(undefined)}>
            Forget it
          </Button>
        </Box>
      )}
      {problem && (
        <Alert severity="error" variant="outlined">
          {problem}
        </Alert>
      )}
      {!found && !problem && !seen && (
        <Typography variant="body2" color="textSecondary">
          Where this build is connected to the machine Kymar runs on, the speed its link really negotiated can
          be taken over.
        </Typography>
      )}
      {found?.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          No USB, NVMe or SATA storage tells its link on this machine.
        </Typography>
      )}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 0.75 }}>
        {found?.map((device) => {
          const fits = device.link !== null && could.has(device.link);
          return (
            <Box
              component="li"
              key={`${device.bus}${device.id}`}
              sx={{
                display: 'grid',
                gridTemplateColumns: 'minmax(0, 1fr) auto',
                gap: 1,
                alignItems: 'center',
              }}
            >
              <div>
                <Typography variant="body2" sx={{ fontWeight: 600 }}>
                  {device.name}
                </Typography>
                <Typography variant="caption" color="textSecondary" component="div">
                  {judgeLink(device).words}
                </Typography>
              </div>
              <Button
                size="small"
                disabled={!fits}
                title={fits ? undefined : 'This build could not run that link'}
                onClick={() =>
                  set({
                    link: device.link!,
                    device: device.name.slice(0, 120) || device.id,
                    at: new Date().toISOString(),
                  })
                }
              >
                It is this one
              </Button>
            </Box>
          );
        })}
      </Box>
    </Panel>
  );
}
