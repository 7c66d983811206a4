import { Box, Chip, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import type { CountedReason, WhyNot as Why } from '@kymar/core/choice';
import { numeral } from '@kymar/core/units';
import { useAnswer } from '../state/gate';
import { Fold } from '../ui/fold';
import { Told } from '../ui/told';
import { reasonSaid } from '@kymar/core/statements';
import { choose, type Overview } from '../workers';
import { Row } from '../ui/layout';

/** As many are listed; what is typed narrows them. */
const SHOWN = 12;
const NONE: Why[] = [];

/** Why what is not among the builds fell out: counted by first reason, and searched. */
export function WhyNotPanel({ found, turn }: { found: Overview; turn: number }) {
  const [text, setText] = useState('');
  const [only, setOnly] = useState<CountedReason['reason'] | null>(null);
  const asked = text.trim() !== '' || only !== null;
  const list = useAnswer(asked ? choose.why(turn, text, only) : null).data ?? NONE;
  return (
    <Fold
      name="choice.whynot"
      title="Why not another?"
      about="what fell out, and why"
      aside={
        <TextField
          label="Why not …"
          slotProps={{ htmlInput: { 'data-find': true } }}
          placeholder="4 tb qlc"
          value={text}
          onChange={(e) => setText(e.target.value)}
          sx={{ width: 220 }}
        />
      }
    >
      {found.reasons.length === 0 && (
        <Typography variant="body2">Nothing fell out: all that plugs together meets every target.</Typography>
      )}
      <Row gap={0.75} wrap>
        {found.reasons.map(({ reason, words, count }) => (
          <Chip
            key={reason}
            size="small"
            variant={only === reason ? 'filled' : 'outlined'}
            color={only === reason ? 'primary' : 'default'}
            label={<Told of={reasonSaid({ reason, words, count }).fell} />}
            aria-pressed={only === reason}
            onClick={() => setOnly(only === reason ? null : reason)}
          />
        ))}
      </Row>
      {asked && (
        <Box
          component="ul"
          aria-label="What fell out"
          sx={{ mt: 1.5, mb: 0, pl: 2.25, typography: 'body2', '& li': { mb: 0.25 } }}
        >
          {list.slice(0, SHOWN).map((one, i) => (
            <li key={`${one.name} ${i}`}>
              <Box component="span" sx={{ fontWeight: 560 }}>
                {one.name}
              </Box>
              : {one.words}
            </li>
          ))}
          {list.length === 0 && <li>None that fell out is called so.</li>}
          {list.length > SHOWN && (
            <li>
              And {list.length >= 200 ? 'at least ' : ''}
              {numeral(list.length - SHOWN)} more: type to narrow it.
            </li>
          )}
        </Box>
      )}
    </Fold>
  );
}
