import type { Kit, WorkMode } from '../../../core/evidence'
import type { Job } from '../../../core/job'
import type { Acceptance, Question, Strategy } from '../../engine'

/** The same value from the device and from the server is the same question: a table keeps fields in an order of its own. */
const inOneOrder = <T extends object>(value: T): T => Object.fromEntries(Object.entries(value).sort()) as T

/** The log of a job as the engine takes it. */
export const questionOf = (job: Job, barred: WorkMode[], kit: Kit): Question => ({
  barred,
  kit,
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
