import type { Branch } from './branches'

/** A chain of branches from one node on, each with the node that it leads to. */
export interface Chain {
  start: number
  steps: { branch: Branch; to: number }[]
}

/** How far right a node stands: the longest way to it along the chains, the rails at either end of all. */
export function ranksOf(chains: readonly Chain[], feed: number, back: number): Map<number, number> {
  const rank = new Map([[feed, 0]])
  // Chains run from left to right, so that as many rounds as there are chains settle every rank.
  for (let round = 0; round <= chains.length; round++) {
    let moved = false
    for (const { start, steps } of chains) {
      let at = rank.get(start) ?? 0
      for (const { to } of steps) {
        at++
        if ((rank.get(to) ?? -1) < at) {
          rank.set(to, at)
          moved = true
        } else at = rank.get(to)!
      }
    }
    if (!moved) break
  }
  const last = Math.max(1, ...[...rank].filter(([node]) => node !== back).map(([, r]) => r + 1), rank.get(back) ?? 1)
  return rank.set(back, last)
}

/** The shortest chain of untaken branches from a node that is drawn to another that is drawn, through none that is. */
function chainFrom(
  start: number,
  free: readonly Branch[],
  drawn: ReadonlySet<number>,
  rank: ReadonlyMap<number, number>,
): Chain | undefined {
  const came = new Map<number, { branch: Branch; from: number }>()
  const ends: number[] = []
  let front = [start]
  while (front.length) {
    const next: number[] = []
    for (const at of front)
      for (const branch of free) {
        if (branch.from !== at && branch.to !== at) continue
        const to = branch.from === at ? branch.to : branch.from
        if (to === start || came.has(to)) continue
        came.set(to, { branch, from: at })
        if (drawn.has(to)) ends.push(to)
        else next.push(to)
      }
    front = next
  }
  // The farther right the better: what leads to the return is a rung, what is left beside it comes later.
  const [end] = ends.sort((a, b) => (rank.get(b) ?? 0) - (rank.get(a) ?? 0))
  return end === undefined ? undefined : { start, steps: walkBack(came, start, end) }
}

function walkBack(
  came: ReadonlyMap<number, { branch: Branch; from: number }>,
  start: number,
  end: number,
): Chain['steps'] {
  const steps: Chain['steps'] = []
  for (let at = end; at !== start;) {
    const { branch, from } = came.get(at)!
    steps.unshift({ branch, to: at })
    at = from
  }
  return steps
}

/** A chain to where the wire ends: from a node that is drawn, through none that is. */
function looseEnd(start: number, free: readonly Branch[], drawn: ReadonlySet<number>): Chain | undefined {
  const steps: Chain['steps'] = []
  const seen = new Set([start])
  for (let at = start; ;) {
    const branch = free.find(
      (b) =>
        !steps.some((s) => s.branch === b) &&
        [b.from, b.to].includes(at) &&
        ![b.from, b.to].some((n) => n !== at && (seen.has(n) || drawn.has(n))),
    )
    if (!branch || branch.from === branch.to) break
    at = branch.from === at ? branch.to : branch.from
    seen.add(at)
    steps.push({ branch, to: at })
  }
  return steps.length ? { start, steps } : undefined
}

const reversed = ({ start, steps }: Chain): Chain => {
  const nodes = [start, ...steps.map((s) => s.to)]
  return {
    start: nodes.at(-1)!,
    steps: steps.map(({ branch }, i) => ({ branch, to: nodes[i] })).toReversed(),
  }
}

const nodesOf = (chains: readonly Chain[]): number[] => chains.flatMap((c) => [c.start, ...c.steps.map((s) => s.to)])

const take = (branches: Set<Branch>, { steps }: Chain): void => {
  for (const { branch } of steps) branches.delete(branch)
}

/**
 * The rungs between two rails, from the shortest on.
 *
 * @param branches those not drawn yet; what is drawn here is taken out of the set
 */
export function traceRungs(branches: Set<Branch>, feed: number, back: number): Chain[] {
  const chains: Chain[] = []
  for (;;) {
    const rank = ranksOf(chains, feed, back)
    const drawn = new Set([feed, back, ...nodesOf(chains)])
    const starts = [...drawn].sort((a, b) => (rank.get(a) ?? 0) - (rank.get(b) ?? 0))
    let chain: Chain | undefined
    for (const start of starts) if ((chain = chainFrom(start, [...branches], drawn, rank))) break
    if (!chain) return chains
    const end = chain.steps.at(-1)!.to
    chains.push((rank.get(end) ?? 0) < (rank.get(chain.start) ?? 0) ? reversed(chain) : chain)
    take(branches, chain)
  }
}

/** What hangs on a circuit by one end alone: spare conductors, the way to earth. Taken out of the set as it is drawn. */
export function traceLooseEnds(branches: Set<Branch>, chains: readonly Chain[], back: number): Chain[] {
  const out: Chain[] = []
  for (const start of new Set(nodesOf(chains))) {
    if (start === back) continue
    for (let chain; (chain = looseEnd(start, [...branches], new Set(nodesOf([...chains, ...out]))));) {
      out.push(chain)
      take(branches, chain)
    }
  }
  return out
}
