import type { components } from './schema'
import { say } from '../texts/say'
import { heard } from './serverClock'

type Schemas = components['schemas']
export type Me = Schemas['Me']
export type Pack = Schemas['Pack']
export type LayingAsked = Schemas['LayingAsked']
export type DayAsked = Schemas['DayAsked']
export type DayPage = Schemas['DayPage']
export type LayingOutcome = Schemas['LayingOutcome']
export type LayingPage = Schemas['LayingPage']
export type LaidRow = Schemas['LaidRow']
export type BendRow = Schemas['BendRow']
export type LayingHelp = Schemas['LayingHelp']
export type LineShort = Schemas['LineShort']
export type LogEntry = components['schemas']['LogEntry']
export type LineFull = Schemas['LineFull']
export type JointShort = Schemas['JointShort']
export type SectionShort = Schemas['SectionShort']
export type Subject = Schemas['Subject']
export type Judgement = Schemas['Judgement']
export type Clock = Schemas['Clock']
export type LinePipe = Schemas['LinePipe']
export type StretchShort = Schemas['StretchShort']
export type StepState = Schemas['StepState']
export type Reason = Schemas['Reason']
export type Usual = Schemas['Usual']
export type Verdict = Schemas['Verdict']
export type Fact = Schemas['Fact']
export type NewFact = Schemas['NewFact']
export type Recorded = Schemas['Recorded']
export type NewLine = Schemas['NewLine']
export type SectionPlan = Schemas['SectionPlan']
export type SectionPreview = Schemas['SectionPreview']
export type LinePreview = Schemas['LinePreview']
export type Register = Schemas['Register']
export type ProcedureShort = Schemas['ProcedureShort']
export type TriedProcedure = Schemas['TriedProcedure']
export type PointAlong = Schemas['PointAlong']
export type PracticeLabel = Schemas['PracticeLabel']
export type BoxProgramme = Schemas['BoxProgramme']
export type LogProgramme = Schemas['LogProgramme']
export type FileSamples = Schemas['FileSamples']
export type Photo = Schemas['Photo']
export type WaitingRow = Schemas['WaitingRow']
export type Found = Schemas['Found']
export type Near = Schemas['Near']
export type NearJoint = Schemas['NearJoint']
export type ProjectPeople = Schemas['ProjectPeople']
export type Account = Schemas['Account']
export type Invitation = Schemas['Invitation']
export type JournalRow = Schemas['JournalRow']
export type Organisation = Schemas['Organisation']
export type StoreItem = Schemas['StoreItem']
export type NewStoreItem = Schemas['NewStoreItem']
export type StoreKind = Omit<Schemas['StoreKind'], 'fields'> & { fields: FieldSpec[] }

/** One field of a step, as the procedure file states it. */
export interface FieldSpec {
  key: string
  label: string
  type?: 'quantity' | 'number' | 'text' | 'yesno' | 'choice' | 'time' | 'day' | 'code' | 'item' | 'layout' | 'signature'
  /** item: its kind in the stores */
  of?: string
  /** what is filled in until somebody changes it */
  preset?: string | boolean
  /** what came with a delivery of the line is offered: its batch, or its name and batch; first what is called so */
  delivered?: { as: 'batch' | 'named'; called: string[] }
  quantity?: string
  min?: number
  max?: number
  optional?: boolean
  /** optional, and asked for in sight all the same */
  wanted?: boolean
  options?: { value: string; label: string }[]
  want?: boolean
  /** the answer of a sound joint, where a calculation judges it */
  should?: boolean
}

/** Which digits of a fitting code hold what. */
export interface CodeLayout {
  fields: Record<
    string,
    {
      from: number
      to: number
      scale?: number
      values?: Record<string, number>
      seconds?: Record<string, number>
      kinds?: Record<string, string>
    }
  >
}

export interface StepText {
  id: string
  /** sides or rounds in which this text holds; a step that is repeated has several texts under one id */
  each?: string[]
  kind: string
  title: string
  why?: string
  fields?: FieldSpec[]
  positions?: string[]
  across?: boolean
  columns?: string[]
  columns_optional?: number
  device?: string
  action?: string
  roles?: string[]
  /** a hold: its signature ends the record */
  seals?: boolean
  stage?: string
  optional?: boolean
  /** entries: what is said when there is nothing to enter */
  none?: string
  /** its lock keeps people from harm */
  gate?: boolean
  cautions?: (string | { text: string })[]
  after?: string[]
  needs_good?: string[]
  drawing?: Record<string, string>
  /** a drawing whose values are paths into what is recorded */
  figure?: { shape: string; in: Record<string, unknown> }
  photo?: { of: string }
}

export interface ProcedureText {
  id: string
  title: string
  school?: string
  /** in which its sentences are written; without it English */
  language?: string
  version: string
  hash: string
  kit?: string[]
  steps: StepText[]
  /** what it tells the rest: here, which joints hang on its pipe ends */
  /** of a record of the line as a whole */
  place?: string
  tells?: { attached?: { place: string; each_side: number }; cut_out?: { rejoins?: boolean } }
  parameters: Record<string, { value: number | string; label?: string; source?: string; certainty?: string }>
}

/** The text of a step in the round or on the side at hand. */
export const textOf = (procedure: { steps: StepText[] }, state: { id: string; side: string | null }): StepText =>
  procedure.steps.find((s) => s.id === state.id && (s.each === undefined || (state.side !== null && s.each.includes(state.side))))!

/** A refusal by the server: a sentence, and each field with its own. */
export class Refusal extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly errors: { field: string; message: string }[] = [],
  ) {
    super(message)
  }
}

/** The network or the server is not there; nothing is known of what was asked. */
export class Unreachable extends Error {
  constructor() {
    super(say('api.noConnectionToTheServer'))
  }
}

const BASE = '/api/v1'
const LEAVING = 'diastoma.leaving'

function csrfToken(): string {
  const cookie = document.cookie.split('; ').find((c) => c.startsWith('XSRF-TOKEN='))
  return cookie ? decodeURIComponent(cookie.slice('XSRF-TOKEN='.length)) : ''
}

async function send(method: string, path: string, body?: unknown, more: Record<string, string> = {}): Promise<Response> {
  const headers: Record<string, string> = { Accept: 'application/json', ...more }
  if (method !== 'GET') {
    if (csrfToken() === '') await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' }).catch(() => undefined)
    headers['X-XSRF-TOKEN'] = csrfToken()
    if (!(body instanceof FormData)) headers['Content-Type'] = 'application/json'
  }
  const payload = body === undefined ? undefined : body instanceof FormData ? body : JSON.stringify(body)
  const asked = Date.now()
  try {
    const response = await fetch(BASE + path, { method, headers, body: payload, credentials: 'same-origin' })
    heard(response.headers, asked)
    return response
  } catch {
    throw new Unreachable()
  }
}

/** A token that has run out is fetched anew, once. */
async function sendFresh(method: string, path: string, body?: unknown, more: Record<string, string> = {}): Promise<Response> {
  const response = await send(method, path, body, more)
  if (response.status !== 419) return response
  await fetch('/sanctum/csrf-cookie', { credentials: 'same-origin' }).catch(() => undefined)
  return send(method, path, body, more)
}

/** Who signed out without network is signed out at the server before anything else is asked of it. */
async function finishLeaving(): Promise<void> {
  if (localStorage.getItem(LEAVING) === null) return
  const gone = await sendFresh('DELETE', '/session')
  if (gone.ok || gone.status === 401) localStorage.removeItem(LEAVING)
  else throw new Unreachable()
}

/** Signs out here and now; at the server as soon as it can be reached. */
export async function signOut(): Promise<void> {
  localStorage.setItem(LEAVING, '1')
  await finishLeaving().catch(() => undefined)
}

async function request<T>(method: string, path: string, body?: unknown, more: Record<string, string> = {}): Promise<T> {
  await finishLeaving()
  const response = await sendFresh(method, path, body, more)
  if (response.status === 204) return undefined as T
  const text = await response.text()
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    // A gateway's page instead of an answer: the application behind it is away.
    throw new Unreachable()
  }
  if (!response.ok) {
    const problem = json as { title?: string; errors?: { field: string; message: string }[] }
    if (response.status >= 502 && response.status <= 504) throw new Unreachable()
    throw new Refusal(problem.title ?? say('api.thatDidNotWork'), response.status, problem.errors ?? [])
  }
  return json as T
}

/** A file to be read by the server, or several that belong together, with what is said beside it. */
export function fileForm(file: File | File[], beside: Record<string, string> = {}): FormData {
  const form = new FormData()
  ;[file].flat().forEach((one, i) => form.append(i === 0 ? 'file' : 'more[]', one))
  Object.entries(beside).forEach(([name, value]) => form.append(name, value))
  return form
}

export const api = {
  get: <T>(path: string) => request<T>('GET', path),
  post: <T>(path: string, body?: unknown, headers: Record<string, string> = {}) => request<T>('POST', path, body ?? {}, headers),
  patch: <T>(path: string, body: unknown) => request<T>('PATCH', path, body),
  put: (path: string, body: unknown) => request<undefined>('PUT', path, body),
  delete: (path: string, body?: unknown) => request<undefined>('DELETE', path, body),
}
