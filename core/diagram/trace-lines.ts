import { admittanceOf, newAdmittance } from '../physics/circuit'
import { shortestPath } from '../foundation/shortest-path'
import { atomsOf } from '../model/sheet'
import type { TestCatalogue } from '../diagnosis/catalogue'
import type { OperatingPoint } from '../simulation/simulate'

/**
 * The machine as the trade draws it: a water line and a power line that meet at each valve, pump or load, and the
 * level lines that come back. Parts are indices; everything is found from the joints of the sheet.
 */
export interface TracedLines {
  lanes: TracedLine[]
  levels: { vessel: number; chain: number[] }[]
}

export interface TracedLine {
  /** The part where the lines meet, or the load that stands for its lane. */
  center: number
  /** Water, from its source to the part. */
  water: number[]
  /** Water that leaves, from the part outwards. */
  waterOut: number[]
  /** The vessel it takes from or fills, where there is one. */
  vessel: number | undefined
  /** True when it takes its water from the vessel. */
  empties: boolean
  /** Power, from the supply to the part. */
  feed: number[]
  /** Parts that are only in the return, from the part to the supply. */
  back: number[]
}

interface Edge {
  part: number
  a: number
  b: number
  ohms: number
}

/** Conducting edges of a moment, by part, with the magnitude of their impedance. */
function edgesOf(point: OperatingPoint, hertz: number): Edge[] {
  const y = newAdmittance()
  return point.faulted.parts.flatMap((p) =>
    point.componentsOf(p).flatMap((c): Edge[] => {
      const { re, im } = admittanceOf(c, 'ac', 2 * Math.PI * hertz, y)
      const ohms = 1 / Math.max(Math.hypot(re, im), 1e-12)
      if (c.type !== 'T' && c.type !== 'RECT') return [{ part: p.index, a: c.a, b: c.b, ohms }]
      // A transformer or rectifier is passed from its far side to its near side, live to live and return to return.
      return [
        { part: p.index, a: c.a, b: c.c, ohms: 1 },
        { part: p.index, a: c.b, b: c.d, ohms: 1 },
      ]
    }),
  )
}

/** Parts on the path of least impedance between two nodes without the parts left out. */
function path(
  edges: readonly Edge[],
  from: number,
  to: number,
  without: ReadonlySet<number>,
): { parts: number[]; ohms: number } | undefined {
  const found = shortestPath(
    from,
    (node) => node === to,
    (node) =>
      edges.flatMap(({ part, a, b, ohms }) =>
        without.has(part) || (a !== node && b !== node) ? [] : [{ to: a === node ? b : a, cost: ohms, label: part }],
      ),
    (node) => node,
  )
  return found && { parts: [...new Set(found.labels)], ohms: found.cost }
}

/** The lines of a machine, found from its joints and from the moments at which its parts are called. */
export function traceLines(catalogue: TestCatalogue): TracedLines {
  const { machine, healthy } = catalogue
  const { parts, kinds, sheet } = machine
  const supply = kinds.findIndex((k) => k.returns !== undefined)
  const snapshots = healthy.flatMap((t) => t.snapshots.filter((s): s is OperatingPoint => s !== undefined))
  const momentOf = (part: number): OperatingPoint => {
    const { active } = kinds[part]
    return snapshots.find((s) => (active ? s.signal(part, active) > 0.5 : s.amps(parts[part]) > 1e-3)) ?? snapshots[0]
  }
  const neighbours = (node: number, port: 'first' | 'last', except: number): number[] =>
    parts.flatMap((p) => {
      const ports = kinds[p.index].ports
      const there = p.ports[port === 'first' ? ports[0] : ports[ports.length - 1]] === node
      return p.index !== except && ports.length > 0 && there ? [p.index] : []
    })
  const isVessel = (part: number) => (kinds[part].states?.length ?? 0) > 0 && kinds[part].ports.length > 0
  const holds = (node: number): number | undefined =>
    parts.find((p) => isVessel(p.index) && Object.values(p.ports).includes(node))?.index
  const listed = new Set(machine.faults.map((f) => f.part))

  function follow(part: number, way: 'up' | 'down'): { chain: number[]; vessel: number | undefined } {
    const chain: number[] = []
    for (let at = part; chain.length < parts.length;) {
      const ports = kinds[at].ports
      const node = parts[at].ports[way === 'up' ? ports[0] : ports[ports.length - 1]]
      const vessel = holds(node)
      if (vessel !== undefined) return { chain, vessel }
      const [next, ...others] = neighbours(node, way === 'up' ? 'last' : 'first', at)
      // Where the water parts, each branch is a lane of its own.
      if (next === undefined || chain.includes(next) || (way === 'down' && others.length))
        return { chain, vessel: undefined }
      chain.push(next)
      at = next
    }
    return { chain, vessel: undefined }
  }
  function power(part: number): { feed: number[]; back: number[] } {
    if (supply < 0) return { feed: [], back: [] }
    const edges = edgesOf(momentOf(part), sheet.hertz)
    const source = parts[supply]
    const [live, ret] = [
      source.nodes[kinds[supply].terminals.find((t) => t !== kinds[supply].returns)!],
      source.nodes[kinds[supply].returns!],
    ]
    const [t0, t1] = kinds[part].terminals.map((t) => parts[part].nodes[t])
    const without = new Set([part, supply])
    const ways = [
      { in: path(edges, live, t0, without), out: path(edges, t1, ret, without) },
      { in: path(edges, live, t1, without), out: path(edges, t0, ret, without) },
    ].filter((w) => w.in && w.out)
    if (!ways.length) return { feed: [], back: [] }
    ways.sort((a, b) => a.in!.ohms + a.out!.ohms - b.in!.ohms - b.out!.ohms)
    const feed = [supply, ...ways[0].in!.parts]
    return { feed, back: ways[0].out!.parts.filter((p) => !feed.includes(p)) }
  }

  const lanes: TracedLine[] = []
  const placed = new Set<number>()
  const addLane = (center: number) => {
    const wet = kinds[center].ports.length > 0
    const up = wet ? follow(center, 'up') : { chain: [], vessel: undefined }
    const down = wet ? follow(center, 'down') : { chain: [], vessel: undefined }
    const { feed, back } = power(center)
    const lane: TracedLine = {
      center,
      water: up.chain.toReversed(),
      waterOut: down.chain.filter((p) => listed.has(p)),
      vessel: up.vessel ?? down.vessel,
      empties: up.vessel !== undefined,
      feed,
      back,
    }
    lanes.push(lane)
    for (const p of [center, ...lane.water, ...lane.waterOut, ...feed, ...back]) placed.add(p)
  }
  for (const p of parts) if (kinds[p.index].terminals.length >= 2 && kinds[p.index].ports.length === 2) addLane(p.index)
  // Loads without water that somebody may suspect, outermost first so that what feeds them is on their own lane.
  const loads = parts.filter(
    (p) =>
      listed.has(p.index) &&
      !placed.has(p.index) &&
      kinds[p.index].line === 'power' &&
      kinds[p.index].terminals.length >= 2,
  )
  const reach = new Map(loads.map((p) => [p.index, power(p.index).feed.length]))
  for (const p of [...loads].sort((a, b) => reach.get(b.index)! - reach.get(a.index)!))
    if (!placed.has(p.index)) addLane(p.index)

  const inputs = new Set(
    [...sheet.phases.flatMap((p) => p.exits.map((e) => e.when)), ...sheet.complaints.map((c) => c.when)].flatMap((c) =>
      [...atomsOf(c)].flatMap((a) =>
        a.type === 'signal' || a.type === 'compare' ? [machine.partIndex.get(a.part)!] : [],
      ),
    ),
  )
  const levels: TracedLines['levels'] = []
  for (const p of parts) {
    const chain: number[] = [p.index]
    while (Object.values(parts[chain[0]].ref).length && chain.length < parts.length)
      chain.unshift(Object.values(parts[chain[0]].ref)[0])
    if (chain.length < 2 || !isVessel(chain[0]) || lanes.some((l) => l.center === p.index)) continue
    if (parts.some((q) => Object.values(q.ref).includes(p.index))) continue
    const edges = snapshots.length ? edgesOf(snapshots.at(-1)!, sheet.hertz) : []
    const start = Object.values(p.nodes)[0]
    const ends = parts
      .filter(
        (q) =>
          inputs.has(q.index) &&
          q.index !== p.index &&
          Object.keys(q.nodes).length > 0 &&
          kinds[q.index].line === 'level',
      )
      .map((q) => ({
        q: q.index,
        way:
          start === undefined ? undefined : path(edges, start, Object.values(q.nodes)[0], new Set([p.index, q.index])),
      }))
      .filter((e) => e.way)
      .sort((a, b) => a.way!.ohms - b.way!.ohms)
    levels.push({
      vessel: chain[0],
      chain: [...chain.slice(1), ...(ends[0] ? [...ends[0].way!.parts, ends[0].q] : [])],
    })
  }
  return { lanes, levels }
}
