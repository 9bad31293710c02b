import type { SwitchTurn } from '../../../core/measuring'
import { useKept } from './kept'

/**
 * Any number of named clocks, and counts of cycles. A clock is the moment at which it was started: it goes on while the page is closed
 * or the phone is locked.
 */
export interface Clock {
  name: string
  /** Milliseconds since 1970; of stopped ones both. */
  began: number
  ended: number | null
}
export interface Watched {
  name: string
  began: number
  turns: SwitchTurn[]
}
interface Count {
  name: string
  times: number
  misses: number
}
const whole = (x: unknown): number => (typeof x === 'number' && Number.isFinite(x) && x >= 0 ? x : 0)
const text = (x: unknown): string => (typeof x === 'string' ? x : '')
/** What is kept of them on this device. */
export const useTimers = () =>
  useKept('duckweed:timers', (found) => {
    const { clocks, counts, records } = (found ?? {}) as { clocks?: unknown; counts?: unknown; records?: unknown }
    const list = <T>(of: unknown, one: (x: Record<string, unknown>) => T): T[] =>
      Array.isArray(of)
        ? of.flatMap((x) => (typeof x === 'object' && x !== null ? [one(x as Record<string, unknown>)] : []))
        : []
    return {
      clocks: list(clocks, (c): Clock => ({
        name: text(c.name),
        began: whole(c.began),
        ended: c.ended === null ? null : whole(c.ended),
      })),
      records: list(records, (r): Watched => ({
        name: text(r.name),
        began: whole(r.began),
        turns: list(r.turns, (t): SwitchTurn => ({
          at: whole(t.at),
          turned: t.turned === 'closed' ? 'closed' : 'opened',
          value: typeof t.value === 'number' && Number.isFinite(t.value) ? t.value : undefined,
        })),
      })),
      counts: list(counts, (c): Count => ({ name: text(c.name), times: whole(c.times), misses: whole(c.misses) })),
    }
  })
