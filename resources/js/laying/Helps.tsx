import { Box, Button, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { LayingHelp } from '../api/client'
import { say } from '../texts/say'
import { useShow } from '../ui/units'
import { withBend, withLength, withMore, type Asked } from './asked'

interface Props {
  helps: LayingHelp[]
  asked: Asked
  limit: number
  onAsked: (asked: Asked) => void
}

/** What would help where the line cannot be laid, with what it costs; what can be tried at once is a target. */
export function Helps({ helps, asked, limit, onAsked }: Props): ReactElement | null {
  const show = useShow()
  if (helps.length === 0) return null
  const metres = (m: number | undefined, digits = 2): string => show('x_m', 'length', m ?? 0, digits)
  const title = (help: LayingHelp): string => {
    switch (help.kind) {
      case 'whole-limit':
        return say('laying.helpWholeLimit')
      case 'shorter-pipes':
        return help.enough
          ? say('laying.helpShorter', { count: help.count ?? 0, length: metres(help.length_m) })
          : say('laying.helpShorterOf', { length: metres(help.length_m) })
      case 'cuts-within':
        return say('laying.helpCuts')
      case 'bend':
        return say('laying.helpBend', { bend: `${help.bend_deg}°`, at: metres(help.at_m) })
      case 'wider-curve':
        return say('laying.helpWider', { radius: metres(help.radius_m, 0) })
      case 'more-pipes':
        return say('laying.helpMore', { count: help.count ?? 0, length: metres(help.length_m) })
      case 'shorter-closing':
        return say('laying.helpClosing', { length: metres(help.length_m) })
    }
  }
  const costs = (help: LayingHelp): string => {
    if (help.enough === false) return say('laying.notEnoughAlone')
    if (help.kind === 'wider-curve') return say('laying.lineMoves', { moves: metres(help.moves_m), longer: metres(help.longer_by_m, 0) })
    if (help.kind === 'more-pipes') return say('laying.shortBy', { short: metres(help.short_m, 1) })
    const said = say('laying.comesTo', {
      pieces: help.pieces ?? 0,
      cuts: help.cuts ?? 0,
      share: Math.round((100 * (help.max_angle_deg ?? 0)) / limit),
    })
    return help.kind === 'bend' ? `${said}. ${say('laying.wantsABlock', { leg: metres(help.leg_m) })}` : said
  }
  /** What is asked with it; null: it is nothing that this page can change. */
  const taken = (help: LayingHelp): Asked | null => {
    if (help.enough === false) return null
    switch (help.kind) {
      case 'whole-limit':
        return { ...asked, working_share: 1 }
      case 'shorter-pipes':
        return withLength(asked, help.length_m!, help.count ?? null)
      case 'more-pipes':
        return withMore(asked, help.length_m!, help.count ?? 0)
      case 'cuts-within':
        return { ...asked, allow_phase_cuts: true }
      case 'shorter-closing':
        return { ...asked, min_piece_m: help.length_m! }
      case 'bend':
        return withBend(asked, { at_m: help.at_m!, bend_deg: help.bend_deg!, leg_m: help.leg_m! })
      default:
        return null
    }
  }
  return (
    <Box component="section" aria-labelledby="helps" sx={{ mt: 2 }}>
      <Typography id="helps" variant="h2" sx={{ mb: 1 }}>
        {say('laying.whatWouldHelp')}
      </Typography>
      {helps.map((help, i) => {
        const next = taken(help)
        const said = (
          <Box sx={{ textAlign: 'left', width: '100%' }}>
            <Typography sx={{ fontWeight: 700, fontSize: '1.05rem', color: 'inherit' }}>{title(help)}</Typography>
            <Typography sx={{ fontWeight: 400, color: 'inherit' }}>{costs(help)}</Typography>
          </Box>
        )
        return next ? (
          <Button key={help.kind} fullWidth variant={i === 0 ? 'contained' : 'outlined'} sx={{ mb: 1 }} onClick={() => onAsked(next)}>
            {said}
          </Button>
        ) : (
          <Box key={help.kind} sx={{ borderTop: 1, borderColor: 'divider', py: 1 }}>
            {said}
          </Box>
        )
      })}
    </Box>
  )
}
