import { CssBaseline, ThemeProvider } from '@mui/material'
import { createContext, useContext, useMemo, useState, type ReactElement, type ReactNode } from 'react'
import { themeOf, type Mode } from './theme'

interface Look {
  mode: Mode
  setMode: (mode: Mode) => void
}

const LookContext = createContext<Look>({ mode: 'day', setMode: () => undefined })
export const useLook = (): Look => useContext(LookContext)

function remembered(): Mode {
  const kept = localStorage.getItem('look')
  return kept === 'glare' || kept === 'night' ? kept : 'day'
}

/** Day, glare and night: chosen by the person, kept on the device. */
export function LookProvider({ children }: { children: ReactNode }): ReactElement {
  const [mode, set] = useState<Mode>(remembered)
  const look = useMemo(
    () => ({
      mode,
      setMode: (next: Mode) => {
        localStorage.setItem('look', next)
        set(next)
      },
    }),
    [mode],
  )
  return (
    <LookContext.Provider value={look}>
      <ThemeProvider theme={useMemo(() => themeOf(mode), [mode])}>
        <CssBaseline />
        {children}
      </ThemeProvider>
    </LookContext.Provider>
  )
}
