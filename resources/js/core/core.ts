import phpFile from 'php-for-browsers-wasm?url'
import workerFile from './worker?worker&url'
import type { Answer, Question } from './worker'

/**
 * Asks the core on the device. Nothing of it is part of the first view: it is fetched once, while there is network,
 * and started when a judgement is wanted that the server cannot give now.
 */
let worker: Worker | null = null
let count = 0
const open = new Map<number, (answer: Answer) => void>()

function running(): Worker {
  if (worker) return worker
  worker = new Worker(workerFile, { type: 'module' })
  worker.onmessage = (event: MessageEvent<Answer>) => {
    open.get(event.data.id)?.(event.data)
    open.delete(event.data.id)
  }
  worker.onerror = (event) => {
    // The files were never fetched, or the browser has no room: whoever asked goes on without an answer.
    for (const [id, tell] of open) tell({ id, exit: 70, out: event.message })
    open.clear()
    worker?.terminate()
    worker = null
  }
  return worker
}

/** Whether the files lie on the device: over a slow network nothing that large is fetched in the middle of the work. */
const kept = async (): Promise<boolean> =>
  'caches' in window && (await Promise.all([workerFile, phpFile].map((file) => caches.match(file)))).every(Boolean)

/** What `bin/diastoma WORDS` answers to this input, or null when the core cannot be had here. */
export async function askCore<T>(words: string[], input: unknown): Promise<T | null> {
  if (!worker && !(await kept())) return null
  const answer = await new Promise<Answer>((tell) => {
    const question: Question = { id: ++count, words, input }
    open.set(question.id, tell)
    running().postMessage(question)
  })
  return answer.exit === 0 ? (JSON.parse(answer.out) as T) : null
}

/** Resolves when the service worker answers for this page: what is fetched from then on stays on the device. */
export async function keeping(): Promise<void> {
  const { active } = await navigator.serviceWorker.ready
  if (navigator.serviceWorker.controller) return
  const taken = new Promise((go) => navigator.serviceWorker.addEventListener('controllerchange', go, { once: true }))
  // A page that was on its way while the worker took its pages over was overlooked.
  active?.postMessage('claim')
  await taken
}

/** Fetches the files of the core through the service worker, so that they lie on the device when the network goes. */
export async function keepCore(): Promise<void> {
  await keeping()
  for (const file of [workerFile, phpFile]) if (!(await caches.match(file))) await fetch(file)
}
