import type { Part } from '../../model/kinds'
import type { Machine } from '../../model/machine'

/** Another part of the same make at the same place, fed by leads of its own. */
export function siblingOf({ parts, kinds, params }: Machine, part: Part): Part | undefined {
  const { windings = [] } = kinds[part.index]
  if (!windings.length || part.panel === undefined) return undefined
  const ohms = (p: Part) => windings.map((w) => params[p.param[w]].nominal).join()
  const feeds = (p: Part) => Object.values(p.nodes).join()
  // A valve that feeds others stands before them: the last of its like is a branch of its own.
  return parts.findLast(
    (o) =>
      o !== part &&
      o.kind === part.kind &&
      o.panel === part.panel &&
      ohms(o) === ohms(part) &&
      feeds(o) !== feeds(part),
  )
}
