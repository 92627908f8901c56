import { createTheme } from '@mui/material/styles';
import type { CSSProperties } from 'react';

declare module '@mui/material/styles' {
  interface Palette {
    hot: Palette['primary'];
    tape: Palette['primary'];
    rim: string;
    /** Paper of a ticket. */
    slip: string;
  }
  interface PaletteOptions {
    hot?: PaletteOptions['primary'];
    tape?: PaletteOptions['primary'];
    rim?: string;
    slip?: string;
  }
  interface TypographyVariantsOptions {
    title: CSSProperties;
    large: CSSProperties;
    note: CSSProperties;
    fine: CSSProperties;
    figures: CSSProperties;
    fineFigures: CSSProperties;
  }
}

const HEADING = '"Bricolage Grotesque Variable", "Atkinson Hyperlegible Next Variable", sans-serif';
const TEXT = '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif';

/** The face of figures: every digit equally wide. */
export const FIGURES = '"Atkinson Hyperlegible Mono Variable", ui-monospace, monospace';

/** Around what has the focus. */
const FOCUS = { outline: '3px solid var(--mui-palette-warning-light)', outlineOffset: 1 };

/** Width of the navigation and height of the season strip, px. */
export const NAV_WIDTH = 184;
export const STRIP_HEIGHT = 74;

/** White enamel with a dark blue rim; a dark scheme of its own. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-scheme' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#1E3F66', contrastText: '#FFFFFF' },
        secondary: { main: '#A85A14' },
        hot: { main: '#A85A14', contrastText: '#FFFFFF' },
        tape: { main: '#EFE6C8', contrastText: '#3A3115' },
        success: { main: '#47733A' },
        warning: { main: '#8A5E00', light: '#B97F00' },
        error: { main: '#A81E3D' },
        background: { default: '#F2F5F4', paper: '#FFFFFF' },
        text: { primary: '#1B2430', secondary: '#4A5665' },
        divider: '#D3DBDA',
        rim: '#1E3F66',
        slip: '#FFFDF6',
      },
    },
    dark: {
      palette: {
        primary: { main: '#A9C6EA', contrastText: '#0F1C2C' },
        secondary: { main: '#E8A564' },
        hot: { main: '#E8A564', contrastText: '#24150A' },
        tape: { main: '#4A4128', contrastText: '#F3EAD0' },
        success: { main: '#9CC78D' },
        warning: { main: '#E9BC5A', light: '#E9BC5A' },
        error: { main: '#F2899C' },
        background: { default: '#121A22', paper: '#1A242F' },
        text: { primary: '#E9EEF2', secondary: '#B4C0CC' },
        divider: '#34424F',
        rim: '#3E638E',
        slip: '#26323E',
      },
    },
  },
  shape: { borderRadius: 6 },
  typography: {
    fontFamily: TEXT,
    fontSize: 14,
    h1: {
      fontFamily: HEADING,
      fontWeight: 650,
      fontSize: '1.6rem',
      lineHeight: 1.22,
      letterSpacing: '-0.01em',
      '@media (max-width: 600px)': { fontSize: '1.4rem' },
    },
    h2: { fontFamily: HEADING, fontWeight: 650, fontSize: '1.15rem', lineHeight: 1.3 },
    h3: { fontFamily: HEADING, fontWeight: 650, fontSize: '1rem', lineHeight: 1.3 },
    // Sizes given by `sx={{ typography: 'note' }}`; they say nothing of weight.
    title: { fontSize: '1.3rem' },
    large: { fontSize: 19 },
    note: { fontSize: 13.5 },
    fine: { fontSize: 12 },
    figures: { fontFamily: FIGURES, fontSize: 13.5 },
    fineFigures: { fontFamily: FIGURES, fontSize: 12 },
    button: { textTransform: 'none', fontWeight: 650 },
  },
  components: {
    MuiButton: {
      defaultProps: { disableElevation: true },
      styleOverrides: { root: { minHeight: 34 } },
    },
    MuiButtonBase: {
      styleOverrides: {
        root: {
          fontFamily: 'inherit',
          '&.Mui-focusVisible': FOCUS,
        },
      },
    },
    MuiDialog: {
      styleOverrides: {
        // On a phone a dialog is a sheet from the foot, within the thumb's reach.
        container: { '@media (max-width: 599px)': { alignItems: 'flex-end' } },
        paper: {
          '@media (max-width: 599px)': { margin: 0, width: '100%', maxWidth: '100%', borderRadius: '10px 10px 0 0' },
        },
      },
    },
    MuiPaper: { defaultProps: { elevation: 0 } },
    MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
    MuiTableCell: { styleOverrides: { root: { padding: '7px 10px' }, head: { fontWeight: 650 } } },
    MuiToggleButton: {
      styleOverrides: {
        root: {
          color: 'var(--mui-palette-text-primary)',
          '&.Mui-selected, &.Mui-selected:hover': {
            color: 'var(--mui-palette-primary-contrastText)',
            backgroundColor: 'var(--mui-palette-primary-main)',
          },
        },
      },
    },
    MuiTab: { styleOverrides: { root: { minHeight: 42 } } },
    MuiTooltip: { defaultProps: { enterDelay: 400 } },
    MuiCssBaseline: {
      styleOverrides: {
        body: { fontVariantNumeric: 'tabular-nums' },
        'a:focus-visible, summary:focus-visible, [tabindex="0"]:focus-visible': FOCUS,
        '@media (prefers-reduced-motion: reduce)': {
          '*, *::before, *::after': {
            animationDuration: '0.01ms !important',
            transitionDuration: '0.01ms !important',
          },
        },
      },
    },
  },
});
