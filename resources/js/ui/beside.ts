/** In the cabin a drawing stands beside what is said and asked; at the trench what is said comes first, then the drawing. */
export const BESIDE = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0,1fr)', md: 'minmax(0,2.2fr) minmax(300px,1fr)' },
  columnGap: 5,
  rowGap: 2,
  mt: 1,
}

/** Where a part of it stands in the cabin; at the trench parts follow each other as they are written. */
export const besideAt = (column: number, from: number, to: number): object => ({
  minWidth: 0,
  gridColumn: { md: column },
  gridRowStart: { md: from },
  gridRowEnd: { md: to },
})
