import { Link as MuiLink, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link } from 'react-router'
import type { LineFull } from '../api/client'
import { Message } from '../texts/Message'
import { say } from '../texts/say'
import { isProving } from '../ui/isProving'
import { useShow } from '../ui/units'

/** The first section that is not proved, and what holds its test up. */
export function NextTest({ line }: { line: LineFull }): ReactElement {
  const show = useShow()
  const next = line.sections.find((s) => !s.tests.some(isProving))
  const holding = next
    ? line.joints.filter(
        (j) => j.chainage_m > next.from_m - 1e-6 && j.chainage_m < next.to_m + 1e-6 && j.state !== 'accepted' && j.state !== 'cut-out',
      )
    : []
  return (
    <>
      <Typography variant="h2" sx={{ mt: 3 }}>
        {say('line.nextTest')}
      </Typography>
      {next ? (
        <Typography sx={{ my: 1 }}>
          <Message
            id="line.nextTestOf"
            values={{
              name: next.name,
              from: show('x_m', 'length', next.from_m, 0),
              to: show('x_m', 'length', next.to_m, 0),
              last:
                next.tests.length > 0 && next.tests[next.tests.length - 1]!.verdict === 'bad'
                  ? say('line.testWasBad', { count: next.tests.length, headline: next.tests[next.tests.length - 1]!.headline ?? '' })
                  : '',
              joints:
                holding.length === 0
                  ? say('line.everyJointIsAccepted')
                  : say('line.heldUpByJoints', {
                      count: holding.length,
                      numbers: holding.map((j) => j.number).join(', '),
                    }),
            }}
            parts={[<MuiLink component={Link} to={`/sections/${next.id}`} />]}
          />
        </Typography>
      ) : (
        <Typography sx={{ my: 1 }}>
          {line.sections.length === 0 ? say('line.noSectionIsPlanned') : say('line.allSectionsAreTestedGood')}
        </Typography>
      )}
    </>
  )
}
