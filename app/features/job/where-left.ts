import { deviceDatabase } from '../../data/database'
import type { Face } from './turn'

/** What stood before a person when they left a job on this device. */
export interface WhereLeft {
  face: Face
  /** Whether the test was their own choice, and the instrument they chose for it. */
  chosen: boolean
  meter?: string
  /** What had been entered by then, by the ids of its events. */
  log: readonly string[]
}

const nameOf = (job: string): string => `left:${job}`

/** Keeps what stands there now; a device that keeps nothing comes back to what is advised. */
export const leave = (person: string, job: string, value: WhereLeft): Promise<unknown> =>
  deviceDatabase()
    .lists.put({ person, name: nameOf(job), value })
    .catch(() => undefined)

/** What stood there last, on this device. */
export const whereLeft = (person: string, job: string): Promise<WhereLeft | undefined> =>
  deviceDatabase()
    .lists.get([person, nameOf(job)])
    .then(
      (kept) => kept?.value as WhereLeft | undefined,
      () => undefined,
    )
