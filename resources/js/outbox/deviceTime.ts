/** Time of the device with its offset, as facts carry it. */
export function deviceTime(at = new Date()): string {
  const two = (n: number): string => String(n).padStart(2, '0')
  const minutes = -at.getTimezoneOffset()
  const sign = minutes < 0 ? '-' : '+'
  const offset = `${sign}${two(Math.floor(Math.abs(minutes) / 60))}:${two(Math.abs(minutes) % 60)}`
  const day = [at.getFullYear(), two(at.getMonth() + 1), two(at.getDate())].join('-')
  return `${day}T${[at.getHours(), at.getMinutes(), at.getSeconds()].map(two).join(':')}${offset}`
}
