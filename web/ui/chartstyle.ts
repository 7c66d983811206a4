import { useColorScheme, useTheme } from '@mui/material/styles';
import { useMemo } from 'react';

/** What every chart is drawn with: the theme's colours in the scheme that is shown, its type, quiet axes. */
export function useChartStyle() {
  const { mode, systemMode } = useColorScheme();
  const scheme = (mode === 'system' ? systemMode : mode) ?? 'light';
  const theme = useTheme();
  return useMemo(() => {
    const palette = theme.colorSchemes[scheme]!.palette;
    const font = { family: theme.typography.fontFamily as string, size: 12.5 };
    return {
      palette,
      font,
      axis: {
        ticks: { color: palette.text.secondary, font, maxTicksLimit: 7 },
        grid: { color: palette.divider, drawTicks: false },
      },
      title: (text: string) => ({ display: true, text, color: palette.text.secondary, font }),
      /** Of lines side by side, told apart without colour by {@link DASHES}. */
      colours: [palette.flow, palette.measured, palette.narrow, palette.info.main],
    };
  }, [scheme, theme]);
}

/** Of lines side by side. */
export const DASHES: readonly number[][] = [[], [8, 4], [2, 3], [10, 3, 2, 3]];
