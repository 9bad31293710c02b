import type { JobEvent } from './event-schema'
import { findTest, type SheetFacts } from './sheet-facts'

/**
 * An event with what its sheet says of it: whether a reading was taken live, whether a safety step is asked again after
 * that. The fold knows no sheet; whoever enters or appends an event stamps it, and what was sent counts for nothing.
 */
export function stamped<E extends Pick<JobEvent, 'payload'>>(
  event: E,
  { needs, ...facts }: Pick<SheetFacts, 'needs' | 'tests' | 'meters' | 'points' | 'moments'>,
): E {
  const { payload } = event
  if (payload.type === 'safety') {
    const { again: _, ...rest } = payload
    const asked = needs.find((n) => n.id === payload.step)?.again
    return { ...event, payload: { ...rest, ...(asked ? { again: true } : {}) } }
  }
  if (payload.type !== 'reading') return event
  const { live: _, ...rest } = payload
  const live = findTest(facts as SheetFacts, payload.test, payload.instrument)?.workMode === 'energised'
  return { ...event, payload: { ...rest, ...(live ? { live: true } : {}) } }
}
