import { Box, Button, TextField, Typography } from '@mui/material';
import { useState } from 'react';
import { decode, LONGEST, type Decoded, type Flag } from '@kymar/core/catalog/decode';
import { linkById, practicalOf } from '@kymar/core/catalog/links';
import { format } from '@kymar/core/units';
import { Fold } from '../ui/fold';
import { Stack } from '../ui/layout';

const EXAMPLES = [
  'USB 3.2 Gen 2x2 portable SSD 2TB, up to 20GB/s',
  'SATA III M.2 2280, 3,500 MB/s',
  'two terabyte nvme pci e four by four',
  'USB-C SSD 1TB',
];
const LOOK: Record<Flag['kind'], { word: string; color: string }> = {
  nonsense: { word: 'Cannot be', color: 'error.main' },
  ambiguous: { word: 'Left open', color: 'warning.main' },
  note: { word: 'Mind', color: 'info.main' },
};

/** Says what a name off a box, a listing or somebody's mouth means. */
export function Decoder() {
  const [text, setText] = useState(EXAMPLES[0]!);
  const found = decode(text);
  return (
    <Fold
      name="tools.decoder"
      usual
      about="a name or a box’s line, taken apart"
      title="What does the box say?"
    >
      <TextField
        fullWidth
        multiline
        maxRows={4}
        label="Name, listing line or what was said"
        value={text}
        onChange={(e) => setText(e.target.value.slice(0, LONGEST))}
      />
      <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap', mt: 0.75, mb: 1.5 }}>
        {EXAMPLES.map((example) => (
          <Button
            key={example}
            size="small"
            onClick={() => setText(example)}
            sx={{ fontWeight: 400, color: 'text.secondary' }}
          >
            {example}
          </Button>
        ))}
      </Box>
      <DecodedName found={found} />
    </Fold>
  );
}

/** What a text was read as, with its doubts. */
export function DecodedName({ found: { text, readings, flags, links, unread } }: { found: Decoded }) {
  if (text === '')
    return <Typography color="textSecondary">Paste a line, or type what the customer said.</Typography>;
  if (readings.length === 0 && flags.length === 0)
    return <Typography>Nothing in it names an interface, a size or a shape.</Typography>;
  return (
    <Stack>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }} role="status">
        {links.length === 0 && (
          <Typography sx={{ fontWeight: 600 }}>It names no link that exists.</Typography>
        )}
        {links.map((id) => {
          const link = linkById(id);
          return (
            <Box
              key={id}
              sx={{ px: 1.25, py: 0.75, bgcolor: 'var(--mui-palette-channel)', borderRadius: 0.75 }}
            >
              <Typography variant="h3" component="p">
                {link.name}
              </Typography>
              <Typography variant="caption">
                about {format(practicalOf(link, 'read').expected, 'B/s')}
              </Typography>
            </Box>
          );
        })}
        {links.length > 1 && (
          <Typography variant="body2" color="textSecondary" sx={{ alignSelf: 'center' }}>
            one of these
          </Typography>
        )}
      </Box>
      {unread.length > 0 && (
        <Typography variant="body2" color="textSecondary">
          Not understood: {unread.join(', ')}
        </Typography>
      )}
      {flags.map(({ kind, id, words }) => (
        <Typography key={id + words} variant="body2">
          <Box component="span" sx={{ color: LOOK[kind].color, fontWeight: 700 }}>
            {LOOK[kind].word}:
          </Box>{' '}
          {words}
        </Typography>
      ))}
      <Box
        component="dl"
        sx={{
          m: 0,
          display: 'grid',
          gridTemplateColumns: 'max-content minmax(0, 1fr)',
          columnGap: 2,
          rowGap: 0.25,
        }}
      >
        {readings.map((r) => [
          <Typography key={`t${r.at}`} component="dt" variant="body2" sx={{ fontWeight: 600 }}>
            {r.text}
          </Typography>,
          <Typography key={`d${r.at}`} component="dd" variant="body2" sx={{ m: 0 }}>
            {r.meaning}
          </Typography>,
        ])}
      </Box>
    </Stack>
  );
}
