import { Box } from '@mui/material'
import type { ReactElement } from 'react'
import type { LayingOutcome } from '../api/client'
import { say } from '../texts/say'
import { useShow } from '../ui/units'
import { Sentence } from '../ui/Verdict'

type Found = NonNullable<LayingOutcome['cover']>

/** Whether enough ground lies over the pipes, where it is least, and what is not known. */
export function Cover({ cover, least }: { cover: Found; least: number | null }): ReactElement {
  const show = useShow()
  const long = (metres: number): string => show('x_m', 'length', metres, 2)
  const stretches = (of: Found['short']): string =>
    of.map(({ from_m, to_m }) => say('laying.fromTo', { from: long(from_m), to: long(to_m) })).join('; ')
  const at =
    cover.cover_m === null || cover.at_m === null ? '' : say('laying.coverIs', { cover: long(cover.cover_m), at: long(cover.at_m) })
  const wanted = least === null ? '' : say('laying.coverWanted', { least: long(least) })
  const why = cover.reasons.flatMap((reason): string[] => {
    switch (reason) {
      case 'ground-unknown':
        return [say('laying.groundUnknown', { where: stretches(cover.unknown) })]
      case 'no-limit':
        return [say('laying.noLeastCover')]
      case 'no-uncertainty':
        return [say('laying.groundHowWell')]
      case 'no-diameter':
        return [say('laying.noDiameter')]
      case 'within-uncertainty':
        return [say('laying.coverByLess')]
      default:
        return [say('laying.coverShort', { where: stretches(cover.short) })]
    }
  })
  return (
    <Box sx={{ mt: 2 }}>
      <Sentence verdict={cover.verdict} act={cover.verdict === 'bad' ? say('laying.coverHelps') : undefined}>
        {[at, wanted, ...why].filter((said) => said !== '').join(' ')}
      </Sentence>
    </Box>
  )
}
