import { Button } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { say } from '../texts/say'

/** The first of a long list, and a button for the others, that what comes below it is not out of reach. */
export function useFirst<T>(all: T[], most: number): { shown: T[]; others: ReactElement | null } {
  const [isWhole, setWhole] = useState(false)
  // A last one alone is shown rather than spoken of.
  if (isWhole || all.length <= most + 1) return { shown: all, others: null }
  return {
    shown: all.slice(0, most),
    others: (
      <Button fullWidth sx={{ justifyContent: 'flex-start', px: 0 }} onClick={() => setWhole(true)}>
        {say('common.showTheOthers', { count: all.length - most })}
      </Button>
    ),
  }
}
