import { Box, Button, TableContainer, ToggleButton, ToggleButtonGroup, Typography } from '@mui/material';
import { Fragment, useState } from 'react';
import {
  forCopy,
  handover,
  toHtml,
  toMarkdown,
  type DocumentBlock,
  type DocumentCopy,
  type Wording,
  identified,
  plainWords,
} from '@kymar/core/handover';
import { writeJob } from '@kymar/core/job';
import { useVerdict } from '../state/verdict';
import { useSettings } from '../state/settings';
import { unbroken } from '../ui/figure';
import { fileName, saveFile } from '../ui/files';
import { Waiting } from '../ui/waiting';
import { useJob } from '../ui/job';
import { useNarrow } from '../ui/narrow';
import { Cells } from '../ui/cells';
import { Told } from '../ui/told';

/** The document that goes with the job, for the customer and for the shop. */
export function Handover() {
  const { job } = useJob();
  const [copy, setCopy] = useState<DocumentCopy>('customer');
  const verdict = useVerdict(job);
  if (!verdict) return <Waiting>Putting the document together …</Waiting>;
  const document = handover(job, verdict, useSettings.getState().ownRanges);
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 2,
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 240px' },
        alignItems: 'start',
        '@media print': { display: 'block' },
      }}
    >
      <Box
        component="article"
        sx={{
          minWidth: 0,
          '& h1, & h2, & p, & li': { overflowWrap: 'anywhere' },
          bgcolor: 'background.paper',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          px: { xs: 2, md: 6 },
          py: 4,
          maxWidth: 900,
          '@media print': { border: 0, p: 0, maxWidth: 'none' },
        }}
      >
        <Typography variant="h1" component="h2">
          {document.title}
        </Typography>
        <Typography color="textSecondary" sx={{ mb: 1 }} data-named>
          {document.line}
        </Typography>
        {forCopy(identified(document), copy).map((section) => (
          <Box component="section" key={section.heading} sx={{ mt: 3 }}>
            <Typography variant="h2" component="h3" sx={{ mb: 0.75 }}>
              {section.heading}
            </Typography>
            {section.blocks.map((block, i) => (
              <BlockView key={i} block={block} />
            ))}
          </Box>
        ))}
      </Box>
      <Box className="no-print" sx={{ display: 'grid', gap: 1, position: 'sticky', top: 16 }}>
        <ToggleButtonGroup
          exclusive
          fullWidth
          size="small"
          value={copy}
          onChange={(_, value: DocumentCopy | null) => value && setCopy(value)}
          aria-label="Whose copy"
        >
          <ToggleButton value="customer">Customer’s</ToggleButton>
          <ToggleButton value="shop">Shop’s</ToggleButton>
        </ToggleButtonGroup>
        <Button variant="contained" onClick={() => print()}>
          Print
        </Button>
        <Button
          variant="outlined"
          onClick={() => saveFile(fileName(job.title, 'html'), toHtml(document, copy), 'text/html')}
        >
          Save as a page (HTML)
        </Button>
        <Button
          variant="outlined"
          onClick={() => saveFile(fileName(job.title, 'md'), toMarkdown(document, copy), 'text/markdown')}
        >
          Save as Markdown
        </Button>
        <Button
          variant="outlined"
          onClick={() => saveFile(fileName(job.title, 'kymar.json'), writeJob(job), 'application/json')}
        >
          Save the job file
        </Button>
        <Typography variant="caption" color="textSecondary">
          The shop’s copy adds every run, the sources of the figures and the frozen forecast’s hash. The job
          file holds all of it.
        </Typography>
      </Box>
    </Box>
  );
}

function BlockView({ block }: { block: DocumentBlock }) {
  if (block.kind === 'text')
    return (
      <Typography variant="body2" sx={{ mb: 1, overflowWrap: 'anywhere' }}>
        {block.text.map((words, i) => (
          <Fragment key={i}>
            {i > 0 && ' '}
            <WordingShown words={words} />
          </Fragment>
        ))}
      </Typography>
    );
  if (block.kind === 'list')
    return (
      <Box component="ul" sx={{ my: 0.5, pl: 2.5 }}>
        {block.items.map((item) => (
          <Typography component="li" variant="body2" key={plainWords(item)} sx={{ mb: 0.25 }}>
            <WordingShown words={item} />
          </Typography>
        ))}
      </Box>
    );
  return <BlockTable table={block} />;
}

function WordingShown({ words }: { words: Wording }) {
  return typeof words === 'string' ? unbroken(words) : <Told of={words} />;
}

function BlockTable({ table }: { table: Extract<DocumentBlock, { kind: 'table' }> }) {
  const narrow = useNarrow();
  const align = (i: number) => (table.numbers[i] ? 'right' : 'left');
  return (
    // A table wider than a phone is moved sideways, by keys too.
    <TableContainer tabIndex={narrow ? 0 : undefined} sx={{ mb: 1, '@media print': { overflow: 'visible' } }}>
      <Cells
        of={table.rows}
        columns={({ left, right }) =>
          table.head.map((head, i) =>
            (align(i) === 'right' ? right : left)(unbroken(head), (row) => <WordingShown words={row[i]!} />),
          )
        }
      />
    </TableContainer>
  );
}
