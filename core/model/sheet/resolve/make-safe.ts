import type { Sheet } from '../types'
import type { Scope } from './scope'
import { WORK } from './work'

/** What a safety step takes where the sheet does not say, min. */
const STEP_MINUTES = 0.4

/** The steps that make a machine safe to work on, in their order. */
export function resolveMakeSafe({ collector, written }: Scope): Sheet['makeSafe'] {
  return (written['make-safe'] ?? []).map((s, i) => ({
    ...s,
    before: WORK[s.before],
    minutes:
      s.minutes === undefined
        ? STEP_MINUTES
        : collector.quantity(s.minutes, 'time', ['make-safe', i, 'minutes']).value / 60,
  }))
}
