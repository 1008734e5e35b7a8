import { Box, Button, TextField, Typography } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { api, type Register } from '../api/client'
import { useVerb } from '../api/useVerb'
import { say } from '../texts/say'
import { Refused } from '../ui/Refused'
import { Sentence, tight } from '../ui/Verdict'
import { dayAndTime } from '../ui/clock'
import { Code } from '../ui/Code'
import { chainSays } from './chainSays'
import { SealAnew } from './SealAnew'

const KEPT = 8

interface Props {
  line: string
  register: Register
  mayMend: boolean
  timeZone: string | undefined
}

/** The chain of seals of a line: does it hold, what was mended, and the code by which somebody elsewhere can tell. */
export function Seals({ line, register, mayMend, timeZone }: Props): ReactElement {
  const { chain_broken: broken, chain_mended: mended, chain_head: head, chain_held: held } = register
  return (
    <Box component="section" aria-labelledby="seals" sx={{ mt: 4 }}>
      <Typography id="seals" variant="h2">
        {say('records.seals')}
      </Typography>
      {broken.length > 0 ? (
        <Box role="alert" sx={{ my: 1 }}>
          <Sentence verdict="bad" act={say('steps.sealBrokenDo')}>
            {say('records.theChainIsBroken')}
          </Sentence>
          <Said all={broken} />
          {mayMend && <SealAnew line={line} />}
        </Box>
      ) : (
        <Typography sx={{ my: 1 }}>{chainSays(register)}</Typography>
      )}
      {held.at && timeZone && (
        <Typography variant="body2">
          {say('records.heldAt', { at: dayAndTime(held.at, timeZone), seals: held.seals })}
          {held.waits && ` ${say('records.heldAnew')}`}
        </Typography>
      )}
      {mended.length > 0 && (
        <>
          <Typography sx={{ fontWeight: 700 }}>{say('records.sealedAnew')}</Typography>
          <Said all={mended} />
        </>
      )}
      {head && <Head line={line} head={head} />}
    </Box>
  )
}

function Said({ all }: { all: string[] }): ReactElement {
  return (
    <Box component="ul" sx={{ pl: 3, my: 1 }}>
      {all.map((one) => (
        <Typography key={one} component="li" sx={{ overflowWrap: 'anywhere' }}>
          {tight(one)}
        </Typography>
      ))}
    </Box>
  )
}

/** The last seal as a code: kept elsewhere, it shows a chain that was shortened or made anew. */
function Head({ line, head }: { line: string; head: NonNullable<Register['chain_head']> }): ReactElement {
  const [code, setCode] = useState('')
  const [found, setFound] = useState<{ seal: number | null; seals: number } | null>(null)
  const look = useVerb(() => api.get<{ seal: number | null; seals: number }>(`/lines/${line}/seals/${encodeURIComponent(code)}`), setFound)
  const groups = head.hash.match(/.{8}/g)!.join(' ')
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', sm: 'auto minmax(0,1fr)' }, gap: 3, mt: 2, maxWidth: 860 }}>
      <Code text={head.hash} about={say('records.theLastSealAsACode')} />
      <Box>
        <Typography>{say('records.headOf', { count: head.seals })}</Typography>
        <Typography sx={{ fontVariantNumeric: 'tabular-nums', overflowWrap: 'anywhere', my: 0.5 }}>{groups}</Typography>
        {head.public_key && (
          <Typography variant="body2" sx={{ overflowWrap: 'anywhere' }}>
            {say('records.publicKey', { key: head.public_key })}
          </Typography>
        )}
        <Typography variant="body2" sx={{ mt: 1 }}>
          {say('records.keepItElsewhere')}
        </Typography>
        <Button variant="outlined" component="a" href={`/api/v1/lines/${line}/head.json`} className="no-print" sx={{ mt: 1 }}>
          {say('records.headAsFile')}
        </Button>
        <Box
          component="form"
          className="no-print"
          onSubmit={(e) => {
            e.preventDefault()
            look.run()
          }}
          sx={{ display: 'flex', gap: 1, mt: 2, flexWrap: 'wrap' }}
        >
          <TextField
            label={say('records.codeKeptElsewhere')}
            value={code}
            onChange={(e) => {
              setCode(e.target.value)
              setFound(null)
            }}
            sx={{ flex: '1 1 260px' }}
          />
          <Button variant="outlined" type="submit" disabled={code.replace(/\s/g, '').length < KEPT || look.busy}>
            {say('records.lookItUp')}
          </Button>
        </Box>
        <Refused why={look.fault} />
        {found && (
          <Box role="status" sx={{ mt: 1 }}>
            <Sentence verdict={found.seal === null ? 'bad' : 'good'}>
              {found.seal === null ? say('records.noSealHasThisCode') : say('records.codeIsSeal', { seal: found.seal, count: found.seals })}
            </Sentence>
          </Box>
        )}
      </Box>
    </Box>
  )
}
