import { createTheme } from '@mui/material/styles';

declare module '@mui/material/styles' {
  interface Palette {
    goesIn: string;
    comesBack: string;
    shallow: string;
    line: string;
  }
  interface PaletteOptions {
    goesIn?: string;
    comesBack?: string;
    shallow?: string;
    line?: string;
  }
}

/** A printed sea chart by day, the same roles as a night watch by dark. */
export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'data-theme' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#9B2D7B', dark: '#7A1F60', contrastText: '#FFFFFF' },
        background: { default: '#F6F1E4', paper: '#FCF9F1' },
        text: { primary: '#22313F', secondary: '#516070' },
        divider: '#CFC6B0',
        error: { main: '#A3261B' },
        warning: { main: '#8A5A00' },
        success: { main: '#2A6B47' },
        goesIn: '#9B2D7B',
        comesBack: '#14507A',
        shallow: '#DCE9F1',
        line: '#DDD5C1',
      },
    },
    dark: {
      palette: {
        primary: { main: '#E58CCB', dark: '#C768AB', contrastText: '#16202A' },
        background: { default: '#16202A', paper: '#1C2833' },
        text: { primary: '#E9E2D0', secondary: '#A9B4BC' },
        divider: '#3A4956',
        error: { main: '#F0897E' },
        warning: { main: '#E2B45A' },
        success: { main: '#7CC79B' },
        goesIn: '#E58CCB',
        comesBack: '#84BDE2',
        shallow: '#263A4A',
        line: '#2F3E4B',
      },
    },
  },
  shape: { borderRadius: 3 },
  typography: {
    fontFamily: '"Source Sans 3 Variable", system-ui, sans-serif',
    fontSize: 13,
    body1: { fontSize: 14 },
    body2: { fontSize: 13 },
    h1: { fontSize: 22, fontWeight: 600, letterSpacing: -0.2 },
    h2: { fontSize: 17, fontWeight: 600 },
    h3: { fontSize: 14, fontWeight: 600 },
    button: { textTransform: 'none', fontWeight: 600, fontSize: 13.5 },
    caption: { fontSize: 12 },
  },
  components: {
    MuiButton: {
      defaultProps: { disableElevation: true, size: 'small' },
      styleOverrides: { root: { paddingInline: 12 } },
    },
    MuiButtonBase: { defaultProps: { disableRipple: true } },
    MuiTextField: { defaultProps: { size: 'small' } },
    MuiIconButton: { defaultProps: { size: 'small' } },
    MuiToggleButton: {
      styleOverrides: { root: ({ theme }) => ({ color: theme.vars?.palette.text.secondary }) },
    },
    MuiPaper: { defaultProps: { elevation: 0 } },
    MuiTooltip: { defaultProps: { arrow: true, enterDelay: 400 } },
    MuiAlert: { styleOverrides: { root: { alignItems: 'flex-start' } } },
  },
});
