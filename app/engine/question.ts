import type { Kit } from '../../core/evidence'
import { barredFor, type Job, type Role } from '../../core/job'
import type { Acceptance, Question, Strategy } from './protocol'

/** The same value from the device and from the server is the same question: a table keeps fields in an order of its own. */
const inOneOrder = <T extends object>(value: T): T => Object.fromEntries(Object.entries(value).sort()) as T

/** Who asks the engine, as far as its answer depends on it. */
export interface Asking {
  role: Role
  kit: Pick<Kit, 'lacking' | 'beepsBelow'> | null
}

/** The log of a job as the engine takes it, asked by somebody: plain data, as it goes to the worker. */
export const questionOf = (
  job: Pick<Job, 'complaints' | 'circumstances' | 'strategy' | 'acceptance' | 'log'>,
  { role, kit }: Asking,
): Question => ({
  barred: barredFor(role),
  // How exact an instrument is, each reading says itself.
  kit: { lacking: [...(kit?.lacking ?? [])], beepsBelow: kit?.beepsBelow },
  strategy: job.strategy as Strategy,
  acceptance: job.acceptance as Acceptance,
  written: [
    ...job.complaints.map((complaint) => ({ complaint })),
    ...(job.circumstances ?? []).map((circumstance) => ({ circumstance })),
    ...job.log.map((l) =>
      l.type === 'reading'
        ? {
            event: l.event,
            test: l.test,
            reading: l.text,
            ...(l.value === undefined ? {} : { value: inOneOrder(l.value) }),
            ...(l.instrument === undefined ? {} : { instrument: l.instrument }),
            ...(l.accuracy === undefined ? {} : { accuracy: l.accuracy }),
          }
        : { event: l.event, action: `${l.action.verb} ${l.action.target ?? ''}`.trim() },
    ),
  ],
})
