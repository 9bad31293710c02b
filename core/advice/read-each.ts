import type { Evidence } from '../evidence'
import type { Written } from '../job'
import type { Engine } from './engine'

/**
 * A job's evidence, each entry by itself: one that the sheet does not know (another revision, another device) is left out, the others
 * count. Each with the event that brought it.
 */
export function readEach(
  engine: Engine,
  written: readonly Written[],
): { evidence: Evidence; event: string | undefined }[] {
  return written.flatMap((item) => {
    const one = engine.read([item])
    const value = 'value' in item ? item.value : undefined
    const event = 'event' in item ? item.event : undefined
    if (!one.ok) return []
    return one.value.map((e) => ({ evidence: e.type === 'reading' && value ? { ...e, value } : e, event }))
  })
}
