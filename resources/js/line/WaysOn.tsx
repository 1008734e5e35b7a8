import { Box, Link as MuiLink } from '@mui/material'
import { useState, type ReactElement } from 'react'
import { Link } from 'react-router'
import type { LineFull } from '../api/client'
import { useProcedures } from '../api/queries'
import { say } from '../texts/say'
import { AddJoint } from './AddJoint'
import { AddStretch } from './AddStretch'

/** The other pages of a line, and what is added to it. */
export function WaysOn({ line, onFind }: { line: LineFull; onFind: () => void }): ReactElement {
  const [adding, setAdding] = useState(false)
  const [stretching, setStretching] = useState(false)
  const stretches = useProcedures().data?.some((p) => p.family === 'stretch' && p.place !== 'line') ?? false
  return (
    <>
      <Box sx={{ mt: 2, display: 'flex', gap: 2.5, flexWrap: 'wrap' }}>
        {line.sections.map((s) => (
          <MuiLink key={s.id} component={Link} to={`/sections/${s.id}`} sx={{ py: 1 }}>
            {s.name}
          </MuiLink>
        ))}
        {line.role === 'engineer' && (
          <MuiLink component={Link} to={`/lines/${line.id}/sections/new`} sx={{ py: 1 }}>
            {say('line.addASection')}
          </MuiLink>
        )}
        <MuiLink component={Link} to={`/lines/${line.id}/register`} sx={{ py: 1 }}>
          {say('line.registerAndExports')}
        </MuiLink>
        <MuiLink component={Link} to={`/lines/${line.id}/day`} sx={{ py: 1 }}>
          {say('day.title')}
        </MuiLink>
        <MuiLink component={Link} to={`/lines/${line.id}/laying`} sx={{ py: 1 }}>
          {say('laying.title')}
        </MuiLink>
        <MuiLink component={Link} to={`/lines/${line.id}/pipes`} sx={{ py: 1 }}>
          {say('common.pipes')}
        </MuiLink>
        {line.role === 'engineer' && (
          <MuiLink component={Link} to={`/lines/${line.id}/change`} sx={{ py: 1 }}>
            {say('line.changeTheLine')}
          </MuiLink>
        )}
        <MuiLink component={Link} to={`/lines/${line.id}/near`} sx={{ py: 1 }}>
          {say('line.findByPlace')}
        </MuiLink>
        <MuiLink component="button" onClick={onFind} sx={{ py: 1, font: 'inherit' }}>
          {say('line.findAJoint')}
        </MuiLink>
        {(line.role === 'engineer' || line.role === 'foreman') && (
          <MuiLink component="button" onClick={() => setAdding(true)} sx={{ py: 1, font: 'inherit' }}>
            {say('line.addASaddleOrJoint')}
          </MuiLink>
        )}
        {stretches && (
          <MuiLink component="button" onClick={() => setStretching(true)} sx={{ py: 1, font: 'inherit' }}>
            {say('line.addAStretch')}
          </MuiLink>
        )}
      </Box>
      {stretching && <AddStretch onClose={() => setStretching(false)} line={line} />}
      <AddJoint open={adding} onClose={() => setAdding(false)} line={line} />
    </>
  )
}
