import type { JobEvent } from '../../../core/job'
import type { UsedPart } from '../parts/service'

/**
 * What an entry takes from where parts lie, or brings back by taking an entry back.
 *
 * @param gone ids of what is taken back, before the entry and after it
 * @param find an entry of the job by its id
 */
export function partsOf(
  { id, payload }: JobEvent,
  gone: { before: ReadonlySet<string>; after: ReadonlySet<string> },
  find: (event: string) => JobEvent | undefined,
): UsedPart[] {
  if (payload.type === 'used') return gone.after.has(id) ? [] : [{ id, of: id, used: payload, back: false }]
  if (payload.type !== 'retracted') return []
  return [...new Set([...gone.before, ...gone.after])]
    .filter((event) => gone.before.has(event) !== gone.after.has(event))
    .flatMap((event) => {
      const used = find(event)?.payload
      return used?.type === 'used' ? [{ id, of: event, used, back: gone.after.has(event) }] : []
    })
}
