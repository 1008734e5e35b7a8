import { Button } from '@mui/material'
import type { ReactElement } from 'react'
import { say } from '../../texts/say'

/** What the one button at the thumb does now: on to the next figure, on to what was not read, an answer to all that is left, the end. */
export type Ending =
  | { does: 'next'; onTap: () => void }
  | { does: 'read-on'; onTap: () => void }
  /** `isCalm`: it has said so for a moment, and a tap that meant something else has landed before */
  | { does: 'answer-all' | 'answer-rest'; isCalm: boolean; onTap: () => void }
  | { does: 'record'; label: string | undefined }

const ANSWERS = { 'read-on': 'steps.readOn', 'answer-all': 'steps.allAsItShouldBe', 'answer-rest': 'steps.theRestAsItShouldBe' } as const

export function EndButton({ ending }: { ending: Ending }): ReactElement {
  if (ending.does === 'next')
    return (
      <Button variant="contained" sx={{ minWidth: 0, px: 1 }} onClick={ending.onTap}>
        {say('steps.next')}
      </Button>
    )
  if (ending.does === 'record')
    return (
      <Button variant="contained" type="submit" sx={{ minWidth: 0, px: 1 }} fullWidth>
        {ending.label ?? say('steps.record')}
      </Button>
    )
  const isDeaf = ending.does !== 'read-on' && !ending.isCalm
  return (
    <Button
      variant="contained"
      sx={{ minWidth: 0, px: 1, lineHeight: 1.15 }}
      fullWidth
      aria-disabled={isDeaf}
      onClick={() => !isDeaf && ending.onTap()}
    >
      {say(ANSWERS[ending.does])}
    </Button>
  )
}
