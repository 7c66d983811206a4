import { Box, Typography } from '@mui/material';
import { useState } from 'react';
import { activitiesOf, type Wanted } from '@kymar/core/choice';
import { mustNotStall, type Job } from '@kymar/core/job';
import { format } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { useShop } from '../state/shop';
import { unbroken } from '../ui/figure';
import { Pick } from '../ui/pick';
import type { Closely } from '@kymar/core/choice';
import { choose } from '../workers';
import { Row } from '../ui/layout';

/** A build in the machine the drive moves to later: the figures there beside those here. */
export function LaterPanel({ one, wanted, job }: { one: Closely; wanted: Wanted; job: Job }) {
  const shop = useShop();
  const here = new Set(wanted.places.map(({ host }) => host.id));
  const own = job.machines.map(({ host }) => host).filter(({ id }) => !here.has(id));
  const hosts = [...own, ...shop.hosts.filter(({ id }) => !here.has(id) && !own.some((o) => o.id === id))];
  const [chosen, setChosen] = useState<string>(own[0]?.id ?? '');
  const host = hosts.find(({ id }) => id === chosen) ?? null;
  const { data } = useAnswer(host && choose.later(one, host));
  const shown = data === undefined ? null : { later: data };
  const work = activitiesOf(wanted).slice(0, wanted.places[0]!.activities.length);
  return (
    <Box component="section" aria-label="Later" sx={{ mt: 1.5 }}>
      <Row gap={1.5} align="center">
        <Typography variant="h3" sx={{ flex: 1 }}>
          Later, in the next machine
        </Typography>
        <Pick
          label="Next machine"
          value={host ? chosen : ''}
          options={hosts.map(({ id, name }) => [id, name])}
          onValue={setChosen}
          sx={{ width: 220 }}
        />
      </Row>
      {shown && (
        <Typography variant="body2" component="div" sx={{ mt: 0.5 }}>
          {shown.later === null ? (
            'It does not work there, neither in its enclosure nor without it.'
          ) : (
            <>
              {shown.later.words}, {shown.later.port}.
              {work.map((activity, i) => {
                const [now, then] = [one.candidate.figures[i], shown.later!.figures[i]];
                if (now == null || then == null) return null;
                const say = (v: number) =>
                  mustNotStall(activity) ? `${format(v, 'ratio', 2)} times what it needs` : format(v, 's');
                return (
                  <div key={activity.id}>
                    {activity.name}: <b>{unbroken(say(then))}</b>, here {unbroken(say(now))}
                  </div>
                );
              })}
            </>
          )}
        </Typography>
      )}
    </Box>
  );
}
