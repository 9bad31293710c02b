import type { View } from '../../../core/advice'

/** What stands before the technician: a test to take, or what to do. */
export type Face = { type: 'test'; id: string } | { type: 'cause' }

/** What would serve better than the face that stands there, with what it saves, min. */
export type Offer = { type: 'test'; id: string; title: string; saves: number | undefined } | { type: 'cause' }

/** A saving below this is not worth a word, min. */
const SAID_FROM = 0.5

/** What the advice would show if nothing stood there; `undefined` when it has nothing to ask. */
export function advisedFace(view: View): Face | undefined {
  if (view.state !== 'testing' && view.remedies.length) return { type: 'cause' }
  const [first] = view.next
  return first && { type: 'test', id: first.id }
}

/**
 * A question once shown stays: what is advised takes its place only where an act of the person themselves made room,
 * or where it cannot be answered any more.
 *
 * @param due whether room was made
 */
export const nextFace = (shown: Face | undefined, due: boolean, view: View): Face | undefined =>
  shown && !due ? shown : advisedFace(view)

/**
 * What is offered beside the face that stays; `undefined` while it is what is advised, or as good.
 *
 * @param chosen whether it is the person's own choice: the way back is always offered
 */
export function offerBeside(shown: Face | undefined, chosen: boolean, view: View): Offer | undefined {
  const best = advisedFace(view)
  if (!shown || !best) return undefined
  if (best.type === 'cause') return shown.type === 'cause' ? undefined : best
  if (shown.type === 'test' && shown.id === best.id) return undefined
  const first = view.next[0]!
  const own = shown.type === 'test' ? view.next.find((n) => n.id === shown.id) : undefined
  const saves = own && first.saving - first.minutes - (own.saving - own.minutes)
  return !chosen && saves !== undefined && saves < SAID_FROM
    ? undefined
    : { type: 'test', id: first.id, title: first.title, saves }
}
