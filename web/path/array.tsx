import { Typography } from '@mui/material';
import { ARRAY_NAMES, layoutWords, explainFlow, type Path } from '@kymar/core/assembly';
import { DIRECTIONS } from '@kymar/core/catalog/links';
import type { Situation } from '@kymar/core/forecast';
import type { Place } from '@kymar/core/job';
import { flowSaid } from '@kymar/core/statements';
import { arrayOf } from '../state/models';
import { ArrayFacts } from '../ui/array';
import { Figure } from '../ui/figure';
import { Panel } from '../ui/panel';

const DOING = { read: 'Reading', write: ', writing' } as const;

/** Several drives as one: what they pass together, hold, survive and lose. */
export function ArrayPanel({ at, path, situation }: { at: Place; path: Path; situation: Situation }) {
  const { array } = path.parts;
  const facts = arrayOf(situation);
  if (!array || !facts) return null;
  const { is } = ARRAY_NAMES[array.mode];
  return (
    <Panel
      title={[layoutWords(array), is].filter(Boolean).join(': ')}
      aside={
        path.flow && (
          <Typography variant="body2">
            {DIRECTIONS.map((d) => (
              <span key={d}>
                {DOING[d]} <Figure of={() => explainFlow(path, d)} said={flowSaid(at, path, d).flow} />
              </span>
            ))}
          </Typography>
        )
      }
    >
      <Typography variant="body2" color="textSecondary">
        {array.by === 'firmware'
          ? 'Made by the enclosure: only data crosses the link to it.'
          : 'Made by the system: what is written for safety crosses the link too.'}
      </Typography>
      <ArrayFacts at={at} array={facts} />
    </Panel>
  );
}
