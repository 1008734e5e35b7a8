import { say } from '../texts/say'

interface Size {
  material: string
  dn_mm: number
  size?: string | undefined
  sdr: number
  wall_mm?: number | undefined
  wall_as?: 'ratio' | 'class' | 'measured' | undefined
}

/** "PE100 110 SDR 11"; where no ratio is spoken of, "Ductile iron DN 200, wall 6.3 mm" */
export const sizeOf = (p: Size): string =>
  (p.wall_as ?? 'ratio') === 'ratio'
    ? say('common.sizeOfPipe', { material: p.material, size: p.size ?? p.dn_mm, sdr: p.sdr })
    : say('common.sizeAndWall', { material: p.material, size: p.size ?? p.dn_mm, wall: p.wall_mm ?? '–' })
