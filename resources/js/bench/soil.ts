/**
 * Cubic metres of soil or concrete are read in cubic yards where those of water are in gallons: the end of the key tells the two
 * apart.
 */
export const keyShown = (key: string, quantity: string, isSoil: boolean): string =>
  isSoil && quantity === 'volume' ? key.replace(/_m3$/, '_earth_m3') : key
