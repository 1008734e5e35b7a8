import { keepPreviousData, QueryClient, useQuery, type UseQueryResult } from '@tanstack/react-query'
import {
  api,
  Refusal,
  type Account,
  type BoxProgramme,
  type Found,
  type Near,
  type DayPage,
  type LayingPage,
  type LineFull,
  type LinePipe,
  type LineShort,
  type LogEntry,
  type Me,
  type Organisation,
  type Pack,
  type PracticeLabel,
  type ProcedureShort,
  type ProcedureText,
  type ProjectPeople,
  type Register,
  type StoreItem,
  type StoreKind,
  type SectionPlan,
  type Subject,
  type WaitingRow,
} from './client'

/** What the server has refused stays refused; that it could not answer passes. */
const passes = (error: Error | null): boolean => error !== null && !(error instanceof Refusal && error.status < 500)

/** What did not come is asked for again while somebody looks at the page, ms. */
const AGAIN_MS = 10_000

export const queries = new QueryClient({
  defaultOptions: {
    queries: {
      // The service worker answers from its store when there is no network, so a query always runs.
      networkMode: 'always',
      retry: (count, error) => passes(error) && count < 2,
      refetchInterval: (query) => (passes(query.state.error) ? AGAIN_MS : false),
      staleTime: 5_000,
    },
    mutations: { networkMode: 'always' },
  },
})

/** What is being made is looked at again, ms. */
const WHILE_MADE_MS = 2_000

/** What changes seldom, and not by what is done at the trench, is not asked for at each step. */
const SELDOM_MS = 10 * 60_000

/**
 * `fixed`: never changes while the page is open. `seldom`: renewed when the person comes back to the page or the network does,
 * and every ten minutes; whose session it is and what a thing was is settled by the server with each entry all the same.
 */
interface Options {
  fixed?: boolean
  seldom?: boolean
  off?: boolean
}

const use = <T>(path: string, { fixed, seldom, off }: Options = {}): UseQueryResult<T> =>
  useQuery<T>({
    queryKey: path.split('/'),
    queryFn: () => api.get<T>(`/${path}`),
    staleTime: fixed ? Infinity : seldom ? SELDOM_MS : 5_000,
    refetchOnWindowFocus: seldom ? 'always' : true,
    refetchOnReconnect: seldom ? 'always' : true,
    enabled: !off,
  })

export const useMe = () => use<Me>('me', { seldom: true })
export const useWaiting = () => use<WaitingRow[]>('waiting')
export const usePeople = () => use<ProjectPeople[]>('people')
export const useAccount = () => use<Account>('me/account')
export const useOrganisation = () => use<Organisation>('organisation')
export const useFound = (text: string) => use<Found[]>(`find?q=${encodeURIComponent(text)}`, { off: text === '' })
export const useLines = () => use<LineShort[]>('lines')
export const useLine = (id: string) => use<LineFull>(`lines/${id}`, { off: id === '' })
/** @param place  `at_m=212`, or `easting=…&northing=…`; empty: nowhere yet */
export const useNear = (id: string, place: string) => use<Near>(`lines/${id}/near?${place}`, { off: place === '' })
export const useLaying = (id: string) => use<LayingPage>(`lines/${id}/laying-plan`, { off: id === '' })
/** @param  section  id, or "line" for all of it; empty: where work goes on */
export const useDay = (id: string, section: string) =>
  use<DayPage>(`lines/${id}/day${section === '' ? '' : `?section=${section}`}`, { off: id === '' })
export const useLog = (id: string) => use<LogEntry[]>(`lines/${id}/log`, { off: id === '' })
/**
 * Facts are only ever added: an answer that lacks one that is known was on its way before it was stored, and must not
 * take the page back a step under someone's fingers.
 */
export const notOlder = (known: Subject | undefined, answer: Subject): Subject => {
  const ids = new Set(answer.facts.map((f) => f.id))
  return known?.facts.some((f) => !ids.has(f.id)) ? known : answer
}

/** @param  meanwhile  what is at hand there is done by somebody else, on another device: it is looked at again while one waits */
export const useSubject = (path: string, meanwhile = false) =>
  useQuery<Subject>({
    queryKey: path.split('/'),
    queryFn: async () => {
      const answer = await api.get<Subject>(`/${path}`)
      // Held against what is known when it comes, and not when it was asked for: something may have been recorded meanwhile.
      return notOlder(queries.getQueryData<Subject>(path.split('/')), answer)
    },
    staleTime: 5_000,
    refetchInterval: ({ state }) => (meanwhile || passes(state.error) ? AGAIN_MS : false),
  })
/** Looked at again while one of them is being made. */
export const usePacks = (line: string) =>
  useQuery<Pack[]>({
    queryKey: ['lines', line, 'packs'],
    queryFn: () => api.get<Pack[]>(`/lines/${line}/packs`),
    refetchInterval: ({ state }) =>
      state.data?.some((p) => p.state === 'waiting' || p.state === 'making') ? WHILE_MADE_MS : passes(state.error) ? AGAIN_MS : false,
  })
export const usePipes = (line: string) => use<LinePipe[]>(`lines/${line}/pipes`)
export const useProcedure = (hash: string | undefined) => use<ProcedureText>(`procedures/${hash ?? ''}`, { fixed: true, off: !hash })
/** For a pipe, as far as it is known: with each the reasons why it is not meant for it; `limits: 1` for who compares them. */
export const useProcedures = (about: Record<string, string | number> = {}) => {
  const asked = new URLSearchParams(Object.entries(about).map(([key, value]) => [key, String(value)])).toString()
  return useQuery<ProcedureShort[]>({
    queryKey: asked ? ['procedures', asked] : ['procedures'],
    queryFn: () => api.get<ProcedureShort[]>(`/procedures${asked && `?${asked}`}`),
    staleTime: SELDOM_MS,
    // What was offered stands until the answer for another pipe comes.
    placeholderData: keepPreviousData,
  })
}
export const useSection = (id: string) => use<SectionPlan>(`sections/${id}`)
/** Looked at again while its seals are being held. */
export const useRegister = (id: string) =>
  useQuery<Register>({
    queryKey: ['lines', id, 'register'],
    queryFn: () => api.get<Register>(`/lines/${id}/register`),
    refetchInterval: ({ state }) =>
      state.data?.chain_held.waits && !state.data.chain_held.at ? AGAIN_MS : passes(state.error) ? AGAIN_MS : false,
  })
export const useBox = () => use<Record<string, BoxProgramme>>('stand-ins/fusion-box', { fixed: true })
export const useLabels = () => use<PracticeLabel[]>('stand-ins/labels', { fixed: true })
/** Only where something out of them is asked for: each thing in them is judged by its date. */
export const useStores = (wanted = true) => use<StoreItem[]>('stores', { off: !wanted })
export const useStoreKinds = () => use<StoreKind[]>('stores/kinds', { fixed: true })
/** In which series pipes of a material are ordered, and how their wall is said. */
export type Materials = Record<string, { series: string[]; wall: 'ratio' | 'class' | 'measured' }>
export const useMaterials = () => use<Materials>('materials', { fixed: true })
/** What a device kept from an earlier version does not say decimals, nor as what a unit is shown. */
export interface UnitText {
  symbol: string
  factor: number
  offset: number
  decimals?: number
  shown?: Partial<Record<string, string>>
}
export type Units = Record<string, Record<string, UnitText>>
export const useUnits = () => use<Units>('units', { fixed: true })
/** What one input of a calculation, or one cell of a row, may be. */
export interface InputSchema {
  type?: string
  enum?: string[]
  format?: string
  description?: string
  default?: unknown
  minimum?: number
  maximum?: number
  exclusiveMinimum?: number
  exclusiveMaximum?: number
  items?: InputSchema
  minItems?: number
  properties?: Record<string, InputSchema>
  required?: string[]
  /** the key without its unit */
  'x-name'?: string
  'x-quantity'?: string
  'x-unit'?: string
  /** it is read round the pipe: a clock position and a value */
  'x-round'?: Record<string, string>
  /** it comes from a file or a program, never from a person */
  'x-by-columns'?: boolean
  'x-edit'?: 'layout' | 'signs' | 'numbers' | 'order' | 'parts' | 'flags'
  'x-names'?: string[]
}
export interface CalcSchema extends InputSchema {
  title: string
  description: string
  properties: Record<string, InputSchema>
  required: string[]
  'x-family': string
  /** how it is worked out */
  'x-method'?: string
  'x-source': string
  'x-gives': string[]
  /** its cubic metres are soil or concrete */
  'x-soil': boolean
  /** a worked example: inputs as this schema has them */
  'x-example'?: Record<string, unknown>
}
export const useCalculations = () => use<Record<string, CalcSchema>>('calculations', { fixed: true })
