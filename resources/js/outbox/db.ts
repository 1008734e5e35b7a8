import Dexie, { type EntityTable } from 'dexie'
import type { NewFact } from '../api/client'
import { ofFormer } from '../api/subject'

/** Who recorded something: it goes out under this name and no other. */
export interface Person {
  id: number
  name: string
}

/** A fact on its way to the server. It is removed only when the server has said that it is stored. */
export interface Waiting {
  seq?: number
  id: string
  /** address of what it belongs to, {@see subjectAt} */
  subject: string
  body: NewFact
  /** What the server said when it refused; the fact stays until a person corrects or drops it. */
  refused?: string
  /** how a person calls joint or test and step */
  title?: string
  /** when it was put here, ms of the device's clock */
  since?: number
  /** left out: recorded before anybody was known here */
  by?: Person
}

/** A device stand-in that is running; kept so that a closed page goes on where it was. */
export interface Run {
  key: string
  subject: string
  step: string
  trace: string
  startedAt: number
  /** by how much the clock of the device was ahead then, ms: what runs is stamped by one clock from its beginning to its end */
  ahead?: number
  speed: number
  /** rows with the time in the column's own unit */
  samples: number[][]
  secondsPerUnit: number
  sent: number
  part: number
  extra: Record<string, unknown>
  /** read by a person, every so many minutes: its rows come when they are typed, and it ends when that is said */
  byHand?: number
  /** how a person calls joint or test and step */
  title?: string
  stopped?: boolean
  by?: Person
}

/** A picture that waits for the network; sent before the facts that name it are missed. */
export interface WaitingPhoto {
  id: string
  subject: string
  step: string
  takenAt: string
  picture: Blob
  /** how a person calls joint or test and step */
  title?: string
  by?: Person
  /** What the server said when it refused it. */
  refused?: string
}

class Store extends Dexie {
  waiting!: EntityTable<Waiting, 'seq'>
  runs!: EntityTable<Run, 'key'>
  photos!: EntityTable<WaitingPhoto, 'id'>

  constructor() {
    super('diastoma')
    this.version(1).stores({ waiting: '++seq, &id, subject', runs: 'key' })
    this.version(2).stores({ photos: 'id, subject' })
    // What waits under a former address goes out under the one of today.
    this.version(3)
      .stores({})
      .upgrade(async (old) => {
        const renamed = <T extends { subject: string }>(row: T): void => void (row.subject = ofFormer(row.subject))
        await old.table<Waiting>('waiting').toCollection().modify(renamed)
        await old.table<WaitingPhoto>('photos').toCollection().modify(renamed)
        const runs = await old.table<Run>('runs').toArray()
        await old.table('runs').clear()
        await old.table('runs').bulkAdd(runs.map((run) => ({ ...run, subject: ofFormer(run.subject), key: ofFormer(run.key) })))
      })
  }
}

export const store = new Store()
