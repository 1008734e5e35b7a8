import Dexie, { type EntityTable } from 'dexie'
import type { NewFact } from '../api/client'

/** A fact on its way to the server. It is removed only when the server has said that it is stored. */
export interface Waiting {
  seq?: number
  id: string
  /** `joints/ID` or `tests/ID` */
  subject: string
  body: NewFact
  /** What the server said when it refused; the fact stays until a person corrects or drops it. */
  refused?: string
}

/** A device stand-in that is running; kept so that a closed page goes on where it was. */
export interface Run {
  key: string
  subject: string
  step: string
  trace: string
  startedAt: number
  speed: number
  /** rows with the time in the column's own unit */
  samples: number[][]
  secondsPerUnit: number
  sent: number
  part: number
  extra: Record<string, unknown>
  stopped?: boolean
}

class Store extends Dexie {
  waiting!: EntityTable<Waiting, 'seq'>
  runs!: EntityTable<Run, 'key'>

  constructor() {
    super('diastoma')
    this.version(1).stores({ waiting: '++seq, &id, subject', runs: 'key' })
  }
}

export const store = new Store()
