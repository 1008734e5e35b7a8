import { createTheme, type Theme } from '@mui/material/styles'

export type Mode = 'day' | 'glare' | 'night'

/** Chalk ground, wet-clay ink, one rust accent for what needs you now. Service colours follow the usual code for buried mains. */
export interface Colours {
  ground: string
  raised: string
  ink: string
  faint: string
  rule: string
  accent: string
  onAccent: string
  water: string
  sewer: string
  gas: string
}

export const COLOURS: Record<Mode, Colours> = {
  day: {
    ground: '#f7f2e9',
    raised: '#ece4d4',
    ink: '#241c15',
    faint: '#655a4d',
    rule: '#d3c8b5',
    accent: '#a63c17',
    onAccent: '#ffffff',
    water: '#2b6797',
    sewer: '#3c6b3a',
    gas: '#b08900',
  },
  glare: {
    ground: '#ffffff',
    raised: '#ffffff',
    ink: '#000000',
    faint: '#000000',
    rule: '#000000',
    accent: '#9c1f00',
    onAccent: '#ffffff',
    water: '#004a8f',
    sewer: '#004d00',
    gas: '#7a5f00',
  },
  night: {
    ground: '#17130f',
    raised: '#2a231c',
    ink: '#f1e8da',
    faint: '#b9ac9a',
    rule: '#4a3f34',
    accent: '#f08a5d',
    onAccent: '#17130f',
    water: '#6fa9d6',
    sewer: '#7fb57c',
    gas: '#e0bf4f',
  },
}

declare module '@mui/material/styles' {
  interface Theme {
    colours: Colours
    mode: Mode
  }
  interface ThemeOptions {
    colours?: Colours
    mode?: Mode
  }
}

export function themeOf(mode: Mode): Theme {
  const c = COLOURS[mode]
  return createTheme({
    colours: c,
    mode,
    palette: {
      mode: mode === 'night' ? 'dark' : 'light',
      primary: { main: c.ink, contrastText: c.ground },
      secondary: { main: c.accent, contrastText: c.onAccent },
      error: { main: c.accent, contrastText: c.onAccent },
      background: { default: c.ground, paper: c.ground },
      text: { primary: c.ink, secondary: c.faint },
      divider: c.rule,
    },
    shape: { borderRadius: 6 },
    typography: {
      fontFamily: '"Atkinson Hyperlegible Next Variable", system-ui, sans-serif',
      fontSize: 16,
      htmlFontSize: 16,
      h1: { fontSize: '1.6rem', fontWeight: 700, lineHeight: 1.2 },
      h2: { fontSize: '1.25rem', fontWeight: 700, lineHeight: 1.3 },
      h3: { fontSize: '1.05rem', fontWeight: 700 },
      body1: { fontSize: '1rem' },
      body2: { fontSize: '1rem', color: c.faint },
      button: { textTransform: 'none', fontWeight: 650, fontSize: '1.05rem' },
    },
    components: {
      MuiCssBaseline: {
        styleOverrides: {
          body: { fontVariantNumeric: 'tabular-nums', WebkitFontSmoothing: 'antialiased' },
          '*:focus-visible': { outline: `3px solid ${c.accent}`, outlineOffset: 2 },
          '@media (prefers-reduced-motion: reduce)': { '*': { transition: 'none !important', animation: 'none !important' } },
        },
      },
      MuiButtonBase: { defaultProps: { disableRipple: true } },
      MuiButton: {
        defaultProps: { disableElevation: true },
        styleOverrides: {
          root: {
            minHeight: 56,
            paddingInline: 22,
            borderRadius: 6,
            '&:focus-visible': { outline: `3px solid ${c.accent}`, outlineOffset: 2 },
          },
          outlined: { borderWidth: 2, borderColor: c.ink, color: c.ink, '&:hover': { borderWidth: 2 } },
        },
      },
      MuiTextField: { defaultProps: { variant: 'outlined', fullWidth: true } },
      MuiOutlinedInput: { styleOverrides: { root: { minHeight: 56, fontSize: '1.1rem' }, notchedOutline: { borderColor: c.faint } } },
      MuiInputLabel: { styleOverrides: { root: { color: c.faint } } },
      MuiLink: { defaultProps: { color: 'inherit' } },
    },
  })
}
