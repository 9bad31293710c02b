import type { ReadingShape } from '../../../core/foundation/quantity'
import type { Job } from '../../../core/job'
import type { MachineFacts } from '../../engine'

/** A question with its answer, where it has one. */
export interface Asked {
  id: string
  title: string
  how: string
  shape: ReadingShape
  answer: { event: string; text: string } | undefined
}

/** The questions of a list as the job stands, with what was answered. */
export const askedOf = (ids: readonly string[], facts: MachineFacts, job: Job): Asked[] =>
  ids.flatMap((id) => {
    const test = facts.tests.find((t) => t.id === id)
    if (!test) return []
    const last = job.log.findLast((l) => l.type === 'reading' && l.test === id)
    const answer = last?.type === 'reading' ? { event: last.event, text: last.text } : undefined
    return { id, title: test.title, how: test.byCustomer ?? test.how ?? '', shape: test.shape, answer }
  })
