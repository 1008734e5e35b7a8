import { api, Refusal, type LineFull } from '../api/client'
import { queries } from '../api/queries'
import { subjectAt } from '../api/subject'
import { keepCore, keeping } from '../core/core'
import { faceOf } from '../ui/LineString'

/** Joints after the face that are fetched while there is network: a day's work and more. */
const JOINTS_KEPT = 12

/** What did not come is asked for again. */
const AGAIN_MS = 10_000

let kept = ''
let again = 0

/**
 * While the line is looked at with network, what the next joints need is put on the device: their facts, the procedure,
 * units, the box, practice labels and the core that judges. The service worker keeps each answer.
 */
export async function keepForTrench(line: LineFull): Promise<void> {
  const open = line.joints.filter((j) => j.state === 'planned' || j.state === 'begun' || j.state === 'made')
  const from = Math.max(
    0,
    open.findIndex((j) => j.id === faceOf(line.joints)?.id),
  )
  // What is begun anywhere on the line goes along with the next ones at the face, and what was passed over behind it.
  const begun = open.filter((j) => j.state === 'begun').slice(0, JOINTS_KEPT)
  const passed = open
    .slice(0, from)
    .filter((j) => j.state === 'planned')
    .slice(-JOINTS_KEPT)
  const joints = [...new Set([...begun, ...open.slice(from, from + JOINTS_KEPT), ...passed])]
  const procedures = new Set([line.procedure.hash, ...joints.flatMap((j) => j.procedure_hash ?? [])])
  const key = `${line.id}/${joints.map((j) => `${j.id}${j.done}`).join()}`
  if (key === kept || !navigator.onLine || !('serviceWorker' in navigator)) return
  kept = key
  window.clearTimeout(again)
  try {
    await keeping()
    for (const path of [
      'me',
      'units',
      `lines/${line.id}`,
      'stand-ins/fusion-box',
      'stand-ins/labels',
      'stores',
      ...[...procedures].map((hash) => `procedures/${hash}`),
      ...joints.map((j) => subjectAt('joint', j.id)),
    ]) {
      // Read anew even if it is known, so that the service worker has it.
      await queries.fetchQuery({ queryKey: path.split('/'), queryFn: () => api.get(`/${path}`), staleTime: 0 })
    }
    await keepCore()
  } catch (error) {
    if (kept === key) kept = ''
    if (!(error instanceof Refusal)) again = window.setTimeout(() => void keepForTrench(line), AGAIN_MS)
  }
}
