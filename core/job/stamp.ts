import { handsGoIn, isBypass } from '../evidence'
import type { JobEvent } from './event-schema'
import { findTest, type SheetFacts } from './sheet-facts'

/**
 * An event with what its sheet says of it: what a part that is bridged or has a lead off is called, whether a reading was taken with the power on and with hands in the machine,
 * what a safety step brings about and whether it is asked again. The fold knows no sheet; whoever enters or appends an event
 * stamps it, and what was sent counts for nothing.
 */
export function stamped<E extends Pick<JobEvent, 'payload'>>(
  event: E,
  { needs, bridged, ...facts }: Pick<SheetFacts, 'needs' | 'bridged' | 'tests' | 'meters' | 'points' | 'moments'>,
): E {
  const { payload } = event
  if (payload.type === 'safety') {
    const { again: _, does: __, ...rest } = payload
    const { again, does } = needs.find((n) => n.id === payload.step) ?? {}
    return { ...event, payload: { ...rest, ...(again ? { again: true } : {}), ...(does ? { does } : {}) } }
  }
  if (payload.type === 'action') {
    const { title: _, ...rest } = payload
    const { verb, target } = payload.action
    const title = isBypass(verb) && target !== undefined ? bridged?.[target] : undefined
    return { ...event, payload: { ...rest, ...(title ? { title } : {}) } }
  }
  if (payload.type !== 'reading') return event
  const { live: _, hands: __, ...rest } = payload
  const test = findTest(facts as SheetFacts, payload.test, payload.instrument)
  const hands = test && handsGoIn(test.acts)
  return {
    ...event,
    payload: { ...rest, ...(test?.powered ? { live: true } : {}), ...(hands ? { hands: true } : {}) },
  }
}
