import BlockIcon from '@mui/icons-material/Block';
import InfoOutlinedIcon from '@mui/icons-material/InfoOutlined';
import SouthIcon from '@mui/icons-material/South';
import WarningAmberIcon from '@mui/icons-material/WarningAmber';
import { Box, Typography } from '@mui/material';
import type { Finding, Severity } from '@kymar/core/path';
import { Panel } from '../ui/panel';

const LOOK: Record<Severity, { word: string; color: string; Icon: typeof BlockIcon }> = {
  blocks: { word: 'Blocks', color: 'error.main', Icon: BlockIcon },
  limits: { word: 'Limits', color: 'var(--mui-palette-narrow)', Icon: SouthIcon },
  caution: { word: 'Caution', color: 'warning.main', Icon: WarningAmberIcon },
  note: { word: 'Good to know', color: 'info.main', Icon: InfoOutlinedIcon },
};

/** What blocks, limits or deserves caution, each with reason and mend. */
export function Findings({ list }: { list: readonly Finding[] }) {
  return (
    <Panel title="Findings">
      {list.length === 0 && <Typography>Nothing stands in the way: every joint runs at the best mode these parts have.</Typography>}
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1.5 }}>
        {list.map(({ id, severity, title, reason, mend }) => {
          const { word, color, Icon } = LOOK[severity];
          return (
            <Box component="li" key={id} sx={{ display: 'grid', gridTemplateColumns: '24px 1fr', gap: 1 }}>
              <Icon sx={{ color, fontSize: 20, mt: '2px' }} />
              <div>
                <Typography variant="h3">
                  <Box component="span" sx={{ color }}>
                    {word}:
                  </Box>{' '}
                  {title}
                </Typography>
                <Typography variant="body2">{reason}</Typography>
                <Typography variant="body2" sx={{ fontWeight: 560 }}>
                  {mend}
                </Typography>
              </div>
            </Box>
          );
        })}
      </Box>
    </Panel>
  );
}
