import { findShipped } from '../cli/library'
import { createEngine, proofsFor } from '../core/advice'
import { orThrow } from '../core/foundation/result'
import { CYCLE, isMeasuredDead, type Job, type JobStanding, type Payload, foldJob, emptyStanding } from '../core/job'
import { readSheet } from '../core/model/sheet'

/**
 * What is entered of a repair from its decision to its closing: a program watched, everything said to hold.
 *
 * @param make an event of a payload, in the order in which they are sent
 */
export function repaired<E extends { id: string }>(
  sheet: string,
  repair: string,
  make: (payload: Payload) => E,
  text = '',
): E[] {
  const { text: yaml, file } = findShipped(sheet)!
  const { machine, catalogue } = createEngine(orThrow(readSheet(yaml, file, findShipped)))
  const [program] = machine.programs
  const decided = make({ type: 'decided', repair, as: 'for-good' })
  const start = make({ type: 'action', action: { verb: 'start', target: program!.id } })
  const run = make({ type: 'run', program: program!.id, began: new Date().toISOString() })
  const over = make({ type: 'run-over', run: run.id, seconds: 60 })
  const index = machine.repairs.findIndex((r) => r.id === repair)
  const proofs = proofsFor(catalogue, index).map(({ id: item }) =>
    make(
      isMeasuredDead(item)
        ? { type: 'proven', item, as: 'not-needed', text: 'Double insulated.' }
        : { type: 'proven', item, as: 'passed', ...(item === CYCLE ? { run: run.id } : {}) },
    ),
  )
  return [decided, start, run, over, ...proofs, make({ type: 'closed', repair, text })]
}

/** Of a job what is kept with its row: what a screen shows besides is made from the log. */
export function standingOf(job: Job): JobStanding {
  const logged = new Set([...Object.keys(foldJob([])).filter((k) => !(k in emptyStanding)), 'openedAt', 'openedBy'])
  return Object.fromEntries(Object.entries(job).filter(([k]) => !logged.has(k))) as unknown as JobStanding
}
