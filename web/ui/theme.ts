import { createTheme } from '@mui/material/styles';
import type {} from '@mui/material/themeCssVarsAugmentation';

/*
 * Kymar's tokens, once: a still-water palette (lichen ground, deep teal flow), rust for where it narrows, plum for what was measured.
 */
declare module '@mui/material/styles' {
  interface Palette {
    channel: string;
    flow: string;
    narrow: string;
    measured: string;
    sunken: string;
  }
  interface PaletteOptions {
    channel?: string;
    flow?: string;
    narrow?: string;
    measured?: string;
    sunken?: string;
  }
}

export const light = {
  background: { default: '#f1f4ef', paper: '#fcfdfb' },
  text: { primary: '#18231f', secondary: '#52615b' },
  divider: '#cfd8d0',
  primary: { main: '#1b645b', contrastText: '#ffffff' },
  secondary: { main: '#7a2e6c', contrastText: '#ffffff' },
  error: { main: '#a83a0a' },
  warning: { main: '#7d5a00' },
  success: { main: '#1b645b' },
  info: { main: '#3d5a73' },
  channel: '#c3dcd4',
  flow: '#1b645b',
  narrow: '#b03e0b',
  measured: '#7a2e6c',
  sunken: '#e6ece5',
};

export const dark = {
  background: { default: '#0f1513', paper: '#171f1c' },
  text: { primary: '#e3ebe6', secondary: '#9db0a7' },
  divider: '#2c3934',
  primary: { main: '#74cbbb', contrastText: '#08201c' },
  secondary: { main: '#dca0d2', contrastText: '#2a0f25' },
  error: { main: '#f5935c' },
  warning: { main: '#e2ba55' },
  success: { main: '#74cbbb' },
  info: { main: '#9dbbd4' },
  channel: '#24443d',
  flow: '#4fae9d',
  narrow: '#f5935c',
  measured: '#dca0d2',
  sunken: '#121916',
};

const family = '"Archivo Variable", "Archivo", sans-serif';
/** Width of the letters is part of the scale: narrow for labels, wide for headings and the timer. */
const wide = { fontStretch: '112%', letterSpacing: '-0.01em' };

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-scheme' },
  colorSchemes: { light: { palette: light }, dark: { palette: dark } },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: family,
    fontSize: 14,
    h1: { fontSize: '1.5rem', fontWeight: 640, lineHeight: 1.2, ...wide },
    h2: { fontSize: '1.0625rem', fontWeight: 640, lineHeight: 1.3, ...wide },
    h3: { fontSize: '0.9375rem', fontWeight: 620, lineHeight: 1.35 },
    body1: { fontSize: '0.9375rem', lineHeight: 1.5 },
    body2: { fontSize: '0.875rem', lineHeight: 1.45 },
    caption: { fontSize: '0.78125rem', lineHeight: 1.4, fontStretch: '94%' },
    button: { textTransform: 'none', fontWeight: 600 },
  },
  components: {
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: { root: { paddingInline: 14, whiteSpace: 'nowrap' } },
    },
    MuiPaper: { defaultProps: { elevation: 0 } },
    MuiTextField: { defaultProps: { size: 'small', variant: 'outlined' } },
    MuiTableCell: {
      styleOverrides: {
        root: { padding: '7px 12px', borderColor: 'var(--mui-palette-divider)' },
        head: {
          fontWeight: 560,
          fontSize: '0.8125rem',
          fontStretch: '94%',
          color: 'var(--mui-palette-text-secondary)',
          lineHeight: 1.3,
        },
      },
    },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          textTransform: 'none',
          color: 'var(--mui-palette-text-secondary)',
          '&.Mui-selected': { color: 'var(--mui-palette-text-primary)' },
        },
      },
    },
  },
});
