import { Button, Dialog, DialogActions, DialogContent, DialogTitle } from '@mui/material'
import { useId, type ReactElement, type ReactNode } from 'react'
import { say } from '../texts/say'

/** A sheet over the page, for one small matter. */
export function Sheet({
  open,
  onClose,
  title,
  children,
  actions,
  close = say('ui.close'),
}: {
  open: boolean
  onClose: () => void
  title: string
  children: ReactNode
  actions?: ReactNode
  /** what the button says that leaves everything as it is */
  close?: string
}): ReactElement {
  const id = useId()
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby={id} fullWidth maxWidth="sm">
      <DialogTitle id={id}>{title}</DialogTitle>
      {/* No room below: what sticks to the lower edge sits on it. */}
      <DialogContent sx={{ pb: 0 }}>{children}</DialogContent>
      <DialogActions sx={{ p: 2 }}>
        <Button variant="outlined" onClick={onClose}>
          {close}
        </Button>
        {actions}
      </DialogActions>
    </Dialog>
  )
}
