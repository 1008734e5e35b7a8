import { Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Sheet } from '../ui/Sheet'
import type { Doubt, Likely } from './doubt'
import { say } from '../texts/say'

interface Props {
  /** what was read: "Outside diameter by tape" */
  label: string
  symbol: string
  doubt: Doubt
  /** the figure that it is */
  onIs: (text: string) => void
  /** it is typed again */
  onClose: () => void
}

const why = ({ why, unit }: Likely): string =>
  why === 'round'
    ? say('steps.readRoundThePipe')
    : why === 'unit'
      ? say('steps.typedInUnit', { unit })
      : why === 'point'
        ? say('steps.thePointElsewhere')
        : say('steps.digitsSwapped')

/** A figure that cannot well be is asked about before it is recorded: the likely one is one tap away, and so is the one typed. */
export function AskWhether({ label, symbol, doubt, onIs, onClose }: Props): ReactElement {
  const withUnit = (text: string): string => (symbol === '' ? text : `${text} ${symbol}`)
  return (
    <Sheet open onClose={onClose} close={say('steps.typeItAgain')} title={say('steps.isItReally', { label, typed: withUnit(doubt.typed) })}>
      <Typography sx={{ mb: 2 }}>
        {doubt.low !== null && doubt.high !== null
          ? say('steps.usualIsTo', { low: doubt.low, high: withUnit(doubt.high) })
          : doubt.high !== null
            ? say('steps.usualIsUpTo', { high: withUnit(doubt.high) })
            : say('steps.usualIsFrom', { low: withUnit(doubt.low ?? '') })}
      </Typography>
      {doubt.likely.map((one) => (
        <Button key={one.text} fullWidth variant="contained" sx={{ mb: 1 }} onClick={() => onIs(one.text)}>
          {say('steps.itIs', { figure: withUnit(one.text), why: why(one) })}
        </Button>
      ))}
      <Button fullWidth variant="outlined" sx={{ mb: 1 }} onClick={() => onIs(doubt.typed)}>
        {say('steps.figureIsRight', { figure: withUnit(doubt.typed) })}
      </Button>
    </Sheet>
  )
}
