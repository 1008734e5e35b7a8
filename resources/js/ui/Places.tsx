import { Box, Link } from '@mui/material'
import type { ReactElement } from 'react'
import { Link as RouterLink, useLocation } from 'react-router'
import { say } from '../texts/say'

const PLACES = [
  ['/', say('common.lines')],
  ['/waiting', say('desk.waiting')],
  ['/stores', say('stores.stores')],
  ['/procedures', say('ui.procedures')],
  ['/bench', say('bench.bench')],
  ['/people', say('desk.people')],
] as const

/** Where one can go from anywhere: in sight, in the cabin above and at the trench below. */
export function Places(): ReactElement {
  const { pathname } = useLocation()
  return (
    <Box
      component="nav"
      aria-label={say('ui.places')}
      sx={{ display: { xs: 'grid', md: 'flex' }, gridTemplateColumns: 'repeat(3, 1fr)', columnGap: { md: 0.5 } }}
    >
      {PLACES.map(([to, name]) => (
        <Link
          key={to}
          component={RouterLink}
          to={to}
          underline={pathname === to ? 'always' : 'hover'}
          aria-current={pathname === to ? 'page' : undefined}
          sx={{
            color: pathname === to ? 'text.primary' : 'text.secondary',
            minHeight: { xs: 56, md: 44 },
            px: 1,
            display: 'inline-flex',
            alignItems: 'center',
            textUnderlineOffset: 6,
          }}
        >
          {name}
        </Link>
      ))}
    </Box>
  )
}
