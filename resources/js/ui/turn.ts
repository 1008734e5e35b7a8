import { say } from '../texts/say'

/** A joint that turns by less is laid straight, degrees. */
const STRAIGHT_DEG = 0.05

interface Turn {
  angle_deg: number | null
  turn_hour: number | null
  gap_difference_m: number | null
}

/** "4:30": to the quarter of an hour, 12 at the top. */
export function clockWords(hour: number): string {
  const minutes = (Math.round((hour * 60) / 15) * 15) % 720
  const hours = Math.floor(minutes / 60)
  return `${hours === 0 ? 12 : hours}:${String(minutes % 60).padStart(2, '0')}`
}

/** "22.5° bend, turned to 3:00": the clock is read along the line. */
export const bendWords = (bend: { bend_deg: number; turn_hour: number | null }): string =>
  bend.turn_hour === null
    ? say('laying.bendOf', { bend: `${bend.bend_deg}°` })
    : say('laying.bendTo', { bend: `${bend.bend_deg}°`, clock: clockWords(bend.turn_hour) })

/** How a joint is to be turned, and what its gap shows then. */
export function turnWords(turn: Turn, show: (key: string, quantity: string, value: number, decimals?: number) => string): string {
  if (turn.angle_deg === null) return ''
  if (turn.angle_deg < STRAIGHT_DEG || turn.turn_hour === null) return say('laying.straight')
  const said = say('laying.turnTowards', { angle: `${turn.angle_deg.toFixed(2)}°`, clock: clockWords(turn.turn_hour) })
  if (turn.gap_difference_m === null) return said
  return `${said}, ${say('laying.gapWider', {
    gap: show('x_mm', 'length', 1000 * turn.gap_difference_m, 1),
    clock: clockWords((turn.turn_hour + 6) % 12),
  })}`
}
