/** A row that is one button as a whole: for a thumb, without the look of a button, and seen when the keyboard is on it. */
export const rowButton = {
  all: 'unset',
  cursor: 'pointer',
  display: 'flex',
  gap: 1.5,
  alignItems: 'center',
  width: '100%',
  boxSizing: 'border-box',
  '&:focus-visible': { outline: '3px solid var(--accent)' },
} as const
