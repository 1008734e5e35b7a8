import { Box, Button, Typography } from '@mui/material'
import { useInfiniteQuery } from '@tanstack/react-query'
import type { ReactElement } from 'react'
import { api, type JournalRow } from '../api/client'
import { say } from '../texts/say'
import { dayAndTimeHere } from '../ui/clock'
import { Page } from '../ui/Page'
import { whileComing } from '../ui/whileComing'

const PAGE = 100

/** Who came in, what was refused, what was changed of plans and people; the newest first. */
export default function JournalPage(): ReactElement {
  const journal = useInfiniteQuery({
    queryKey: ['organisation', 'journal'],
    queryFn: ({ pageParam }) => api.get<JournalRow[]>(`/organisation/journal${pageParam ? `?before=${pageParam}` : ''}`),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.length < PAGE ? undefined : last.at(-1)!.seq),
  })
  const up = { to: '/organisation', label: say('people.organisation') }
  if (!journal.data) return whileComing(journal, up)
  return (
    <Page title={say('people.journal')} up={up}>
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0, mt: 2, maxWidth: 900 }}>
        {journal.data.pages.flat().map((row) => (
          <Box
            component="li"
            key={row.seq}
            sx={{
              borderTop: 1,
              borderColor: 'divider',
              py: 1,
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', sm: '150px 1fr 130px' },
              columnGap: 2,
            }}
          >
            <Typography variant="body2">{dayAndTimeHere(row.at)}</Typography>
            <Typography sx={{ overflowWrap: 'anywhere' }}>
              <strong>{row.who || say('people.nobodyKnown')}</strong> {row.text}
            </Typography>
            <Typography variant="body2" sx={{ textAlign: { sm: 'right' } }}>
              {row.address}
            </Typography>
          </Box>
        ))}
      </Box>
      {journal.hasNextPage && (
        <Button variant="outlined" sx={{ mt: 2 }} disabled={journal.isFetchingNextPage} onClick={() => void journal.fetchNextPage()}>
          {say('people.earlier')}
        </Button>
      )}
    </Page>
  )
}
