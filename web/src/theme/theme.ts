import { createTheme } from '@mui/material/styles';
import { colour, type } from './tokens';

const heading = { fontFamily: type.head, fontWeight: 700, letterSpacing: '-0.01em' };

export const theme = createTheme({
  palette: {
    mode: 'light',
    background: { default: colour.paper, paper: colour.panel },
    text: { primary: colour.ink, secondary: colour.quiet },
    primary: { main: colour.accent },
    warning: { main: colour.warn },
    error: { main: colour.stop },
    divider: colour.hairline,
  },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: type.text,
    fontSize: 13.5,
    h1: { ...heading, fontSize: 28, lineHeight: 1.15 },
    h2: { ...heading, fontSize: 20, lineHeight: 1.2 },
    h3: { ...heading, fontSize: 15 },
    button: { textTransform: 'none', fontWeight: 600 },
  },
  components: {
    MuiCssBaseline: {
      styleOverrides: {
        'html, body, #root': { height: '100%' },
        body: { fontVariantNumeric: 'tabular-nums', overflow: 'hidden' },
        a: { color: colour.accent, textUnderlineOffset: '3px' },
        ':focus-visible': { outline: `2px solid ${colour.accent}`, outlineOffset: 2 },
        '@media (prefers-reduced-motion: reduce)': {
          '*': { transition: 'none !important', animation: 'none !important' },
        },
      },
    },
    MuiButtonBase: {
      defaultProps: { disableRipple: true },
      styleOverrides: { root: { fontFamily: type.text } },
    },
    MuiButton: {
      defaultProps: { disableElevation: true, size: 'small' },
      styleOverrides: {
        root: {
          minWidth: 0,
          whiteSpace: 'nowrap',
          padding: '2px 8px',
          ':focus-visible': { outline: `2px solid ${colour.accent}` },
        },
      },
    },
    MuiPaper: {
      defaultProps: { elevation: 0 },
      styleOverrides: { root: { backgroundImage: 'none', border: `1px solid ${colour.hairline}` } },
    },
    MuiTooltip: {
      defaultProps: { enterDelay: 400, arrow: false },
      styleOverrides: {
        tooltip: {
          backgroundColor: colour.ink,
          fontSize: 12.5,
          fontWeight: 400,
          maxWidth: 320,
          padding: '6px 10px',
        },
      },
    },
    MuiMenuItem: { styleOverrides: { root: { fontSize: 14, minHeight: 0, padding: '5px 14px' } } },
    MuiInputBase: { styleOverrides: { root: { fontSize: 13.5 } } },
  },
});
