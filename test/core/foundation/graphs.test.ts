import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { DisjointSets } from '../../../core/foundation/disjoint-sets'
import { LruCache } from '../../../core/foundation/lru-cache'
import { shortestPath } from '../../../core/foundation/shortest-path'

const NODES = 9
const node = fc.integer({ min: 0, max: NODES - 1 })
const edges = fc.array(fc.record({ a: node, b: node, cost: fc.integer({ min: 0, max: 20 }) }), { maxLength: 24 })

describe('disjoint sets', () => {
  it('are the connected parts of a graph, each named by its lowest node, whatever the order of joining', () => {
    fc.assert(
      fc.property(edges, (list) => {
        const sets = new DisjointSets(NODES)
        for (const { a, b } of list) sets.join(a, b)
        // Reached by plain spreading from every node.
        const lowest = Array.from({ length: NODES }, (_, from) => {
          const seen = new Set([from])
          for (let before = -1; before < seen.size;) {
            before = seen.size
            for (const { a, b } of list) if (seen.has(a) !== seen.has(b)) seen.add(a).add(b)
            if (before === seen.size) break
          }
          return Math.min(...seen)
        })
        expect([...sets.representatives()]).toEqual(lowest)
        const back = new DisjointSets()
        for (let i = 0; i < NODES; i++) expect(back.add()).toBe(i)
        for (const { a, b } of list.toReversed()) back.join(b, a)
        expect([...back.representatives()]).toEqual(lowest)
      }),
    )
  })
})

describe('shortest path', () => {
  /** All distances by Floyd & Warshall. */
  const distances = (list: { a: number; b: number; cost: number }[]) => {
    const d = Array.from({ length: NODES }, (_, i) => Array.from({ length: NODES }, (_, j) => (i === j ? 0 : Infinity)))
    for (const { a, b, cost } of list) d[a]![b] = Math.min(d[a]![b]!, cost)
    for (let k = 0; k < NODES; k++)
      for (let i = 0; i < NODES; i++)
        for (let j = 0; j < NODES; j++) d[i]![j] = Math.min(d[i]![j]!, d[i]![k]! + d[k]![j]!)
    return d
  }
  it('costs what all pairs cost, walks along edges that are there, and is undefined where nothing leads', () => {
    fc.assert(
      fc.property(edges, node, node, (list, from, to) => {
        const found = shortestPath(
          from,
          (n) => n === to,
          (n) => list.flatMap((e, label) => (e.a === n ? [{ to: e.b, cost: e.cost, label }] : [])),
          (n) => n,
        )
        const least = distances(list)[from]![to]!
        expect(found?.cost ?? Infinity).toBe(least)
        if (!found) return
        let at = from
        for (const label of found.labels) {
          expect(list[label]!.a).toBe(at)
          at = list[label]!.b
        }
        expect(at).toBe(to)
        expect(found.labels.reduce((sum, l) => sum + list[l]!.cost, 0)).toBe(least)
      }),
    )
  })
})

describe('a bounded cache', () => {
  it('never gives another value than was last set, keeps what was just asked for, and never more than its bound', () => {
    const ask = fc.record({ key: fc.integer({ min: 0, max: 30 }), set: fc.boolean() })
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 12 }), fc.array(ask, { maxLength: 200 }), (most, asked) => {
        const cache = new LruCache<{ n: number }>(most)
        const model = new Map<number, { n: number }>()
        let count = 0
        for (const { key, set } of asked) {
          if (set) {
            model.set(key, { n: ++count })
            cache.set(`${key}`, model.get(key)!)
          } else {
            const found = cache.get(`${key}`)
            if (found) expect(found).toBe(model.get(key))
          }
          const again = cache.get(`${key}`)
          if (set) expect(again).toBe(model.get(key))
          // Two generations: each of at most half the bound, rounded up.
          const kept = Array.from({ length: 31 }, (_, k) => k).filter((k) => holds(cache, `${k}`))
          expect(kept.length).toBeLessThanOrEqual(2 * Math.ceil(most / 2))
        }
      }),
      { numRuns: 60 },
    )
  })
})

/** Whether a key is in a cache, without asking it: asking would move it. */
function holds(cache: LruCache<unknown>, key: string): boolean {
  const { recent, older } = cache as unknown as Record<'recent' | 'older', Map<string, unknown>>
  return recent.has(key) || older.has(key)
}
