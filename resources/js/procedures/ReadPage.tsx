import { Box, Link, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import { Link as RouterLink, useParams } from 'react-router'
import type { FieldSpec, ProcedureText, StepText } from '../api/client'
import { useProcedure } from '../api/queries'
import { say } from '../texts/say'
import { stageWord } from '../texts/words'
import { whileComing } from '../ui/whileComing'
import { Page } from '../ui/Page'
import { limitsIn, plainTitle } from './adapt'
import { useLimit } from './useLimit'

/** A procedure as a crew follows it: stage by stage what is done, why, what is asked and held against what. */
export default function ReadPage(): ReactElement {
  const { hash = '' } = useParams()
  const procedure = useProcedure(hash)
  if (!procedure.data) return whileComing(procedure, { to: '/procedures', label: say('common.proceduresAndLimits') })
  const { data } = procedure
  const stages = data.steps.reduce<StepText[][]>((groups, step) => {
    if (groups.at(-1)?.[0]?.stage === step.stage) groups.at(-1)!.push(step)
    else groups.push([step])
    return groups
  }, [])
  return (
    <Page title={data.title} up={{ to: '/procedures', label: say('common.proceduresAndLimits') }}>
      <Box lang={data.language ?? 'en'} sx={{ maxWidth: 760 }}>
        <Typography sx={{ mt: 1 }}>{say('procedures.schoolAndVersion', { school: data.school ?? '', version: data.version })}</Typography>
        {(data.kit ?? []).length > 0 && <Typography>{say('procedures.kit', { kit: data.kit!.join(', ') })}</Typography>}
        <Typography sx={{ mt: 1 }}>
          <Link component={RouterLink} to={`/procedures/${hash}/adapt`}>
            {say('procedures.adaptIt')}
          </Link>
        </Typography>
        {stages.map((steps, i) => (
          <Box component="section" key={i} sx={{ mt: 3 }}>
            {steps[0]!.stage && <Typography variant="h2">{stageWord(steps[0]!.stage)}</Typography>}
            <Box component="ol" start={data.steps.indexOf(steps[0]!) + 1} sx={{ pl: 3.5, m: 0, mt: 1 }}>
              {steps.map((step, k) => (
                <Step key={k} step={step} procedure={data} />
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Page>
  )
}

function Step({ step, procedure }: { step: StepText; procedure: ProcedureText }): ReactElement {
  const limit = useLimit()
  const held = limitsIn(step).filter((name) => procedure.parameters[name])
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 1.25, '&::marker': { fontWeight: 700 } }}>
      <Typography sx={{ fontWeight: 700, fontSize: '1.1rem' }}>
        {titleOf(step)}
        {step.optional ? say('procedures.ifNeeded') : ''}
      </Typography>
      {step.why && <Typography>{step.why}</Typography>}
      {(step.fields ?? []).length > 0 && (
        <Typography>{say('procedures.asked', { fields: step.fields!.map(askedOf).join('; ') })}</Typography>
      )}
      {held.length > 0 && (
        <Typography>
          {say('procedures.heldAgainst')}{' '}
          <strong>
            {held
              .map((name) => `${procedure.parameters[name]!.label ?? name} ${limit(name, procedure.parameters[name]!.value)}`)
              .join('; ')}
          </strong>
        </Typography>
      )}
      {(step.cautions ?? []).map((c) => {
        const text = typeof c === 'string' ? c : c.text
        return (
          <Typography key={text} sx={{ borderLeft: 4, borderColor: 'secondary.main', pl: 1.5, mt: 0.75 }}>
            {text}
          </Typography>
        )
      })}
    </Box>
  )
}

/** "Gap, each side": what stands for a side in the title of a step that is done at both ends. */
const titleOf = (step: StepText): string =>
  plainTitle(step) + (step.each && step.each.length > 1 ? say('procedures.eachOf', { count: step.each.length }) : '')

const askedOf = (field: FieldSpec): string => `${field.label}${field.optional ? say('procedures.ifKnown') : ''}`
