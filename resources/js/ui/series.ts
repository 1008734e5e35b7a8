import { say } from '../texts/say'

/** In which series a pipe is ordered. */
export const SERIES: Record<string, string> = {
  metric: say('pipes.metric'),
  ips: say('pipes.inchIronPipeSize'),
  dips: say('pipes.inchDuctileIronSize'),
  dn: say('pipes.ironByDn'),
  'dn-od': say('pipes.dnDiameterAsMarked'),
  'in-od': say('pipes.inchDiameterAsMarked'),
}

/** How the size is called in it. */
export const nominalWord = (series: string): string =>
  say(series === 'metric' ? 'pipes.diameterMm' : series.startsWith('dn') ? 'pipes.nominalSizeDn' : 'pipes.nominalSizeIn')
