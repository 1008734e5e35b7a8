import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'

/** All that is wrong with a procedure, by its places. */
export function Faults({ title, faults }: { title: string; faults: string[] }): ReactElement {
  return (
    <Box role="alert" sx={{ my: 2, borderLeft: 6, borderColor: 'secondary.main', pl: 2 }}>
      <Typography sx={{ fontWeight: 700 }}>{title}</Typography>
      <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5, maxHeight: '50vh', overflowY: 'auto' }}>
        {faults.map((f) => (
          <li key={f}>{f}</li>
        ))}
      </Box>
    </Box>
  )
}
