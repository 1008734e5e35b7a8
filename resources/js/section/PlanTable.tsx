import { Box, Typography } from '@mui/material'
import type { ReactElement } from 'react'
import type { PlanRow } from './planRows'

/** The plan of a section, line by line. */
export function PlanTable({ rows }: { rows: PlanRow[] }): ReactElement {
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        mt: 1,
        '& th, & td': { textAlign: 'left', verticalAlign: 'baseline', borderTop: 1, borderColor: 'divider', py: 1, pr: 1.5 },
        '& th': { fontWeight: 400, width: '30%' },
      }}
    >
      <tbody>
        {rows.map(([label, value, note]) => (
          <tr key={label}>
            <th scope="row">{label}</th>
            <td>
              <strong>{value}</strong>
              {note && (
                <Typography component="span" variant="body2">
                  {' '}
                  · {note}
                </Typography>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </Box>
  )
}
