import { DisjointSets } from '../../foundation/disjoint-sets'
import type { Part } from '../kinds'
import { atomsOf, type Sheet, type SheetFault, type TerminalRef } from '../sheet'
import type { Dimension, Quantity } from '../../foundation/quantity'
import type { Effect, Fault, Machine, ModeSetting, Param, Phase, Program } from './types'

/** What an unwritten ± stands for, as a share of the value (two standard deviations); other dimensions are exact. */
const UNWRITTEN_TOLERANCE: Partial<Record<Dimension, number>> = {
  resistance: 0.06,
  inductance: 0.15,
  flow: 0.15,
  pressure: 0.1,
  capacitance: 0.1,
}

const sdOf = (q: Quantity): number => (q.halfWidth ?? Math.abs(q.value) * (UNWRITTEN_TOLERANCE[q.dimension] ?? 0)) / 2

/** Numbers the nodes that a list of joints leaves, in the order of first appearance. */
class Nodes {
  private readonly sets = new DisjointSets()
  private readonly label: string[] = []
  add(label: string): number {
    this.label.push(label)
    return this.sets.add()
  }
  join(a: number, b: number): void {
    this.sets.join(a, b)
  }
  close(): { of(i: number): number; count: number; labels: string[] } {
    const number = new Map<number, number>()
    const labels: string[] = []
    this.label.forEach((label, i) => {
      const root = this.sets.find(i)
      let n = number.get(root)
      if (n === undefined) {
        n = number.size
        number.set(root, n)
        labels.push(label)
      } else labels[n] += ` = ${label}`
    })
    return { of: (i) => number.get(this.sets.find(i))!, count: number.size, labels }
  }
}

/**
 * Turns a resolved sheet into an indexed machine. Pure; cannot fail for a sheet that `readSheet` accepted.
 * Everything is numbered in the order of writing, so renaming ids changes no number.
 */
export function buildMachine(sheet: Sheet): Machine {
  const params: Param[] = []
  const addParam = (id: string, q: Quantity): number => {
    const index = params.length
    params.push({ index, id, dimension: q.dimension, nominal: q.value, sd: sdOf(q) })
    return index
  }
  addParam('ambient', sheet.ambient)
  const modes: number[] = []
  const modeOwner: number[] = []
  const states: number[] = []
  const within: number[] = []
  const wired = { nodes: new Nodes(), ports: new Nodes() }
  const partIndex = new Map(sheet.parts.map((p, i) => [p.id, i]))
  const parts: Part[] = sheet.parts.map((p, index) => {
    const part: Part = {
      index,
      id: p.id,
      title: p.title,
      kind: p.kind.id,
      line: p.kind.line,
      panel: p.panel,
      nodes: {},
      ports: {},
      param: {},
      mode: {},
      state: {},
      ref: {},
      choice: p.choices,
    }
    for (const [name, q] of Object.entries(p.params)) part.param[name] = addParam(`${p.id}.${name}`, q)
    for (const mode of p.kind.modes ?? []) {
      part.mode[mode.name] = modes.length
      modes.push(typeof mode.initial === 'number' ? mode.initial : mode.values.indexOf(p.choices[mode.initial.choice]))
      modeOwner.push(index)
    }
    for (const state of p.kind.states ?? []) {
      part.state[state.name] = states.length
      within.push(state.tolerance)
      states.push(state.initialParam === undefined ? 0 : p.params[state.initialParam].value)
    }
    for (const t of p.kind.terminals) part.nodes[t] = wired.nodes.add(`${p.id}.${t}`)
    for (const t of p.kind.ports) part.ports[t] = wired.ports.add(`${p.id}.${t}`)
    for (const [name, target] of Object.entries(p.refs)) part.ref[name] = partIndex.get(target)!
    return part
  })
  const joinAll = (medium: 'nodes' | 'ports', chains: Sheet['wiring']) => {
    const node = (r: TerminalRef) => parts[partIndex.get(r.part)!][medium][r.terminal]
    for (const { joints } of chains) for (const [a, b] of joints) wired[medium].join(node(a), node(b))
    const closed = wired[medium].close()
    for (const p of parts) for (const t of Object.keys(p[medium])) p[medium][t] = closed.of(p[medium][t])
    return closed
  }
  const electric = joinAll('nodes', sheet.wiring)
  const water = joinAll('ports', sheet.water)

  const kinds = sheet.parts.map((p) => p.kind)
  const phaseIndex = new Map(sheet.phases.map((p, i) => [p.id, i]))
  const commandOf = (id: string): number => {
    const part = parts[partIndex.get(id)!]
    return part.mode[kinds[part.index].command!]
  }
  const phases: Phase[] = sheet.phases.map((p, index) => ({
    index,
    id: p.id,
    title: p.title,
    on: p.on.map(commandOf),
    exits: p.exits.map((e) => ({ when: e.when, to: phaseIndex.get(e.to)!, alarm: e.alarm })),
    final: p.final,
    timeLimits: [
      ...new Set(p.exits.flatMap((e) => [...atomsOf(e.when)].flatMap((a) => (a.type === 'after' ? [a.seconds] : [])))),
    ].sort((a, b) => a - b),
  }))
  const modeSet = (index: number, mode: string, value: string): ModeSetting => {
    const spec = kinds[index].modes!.find((m) => m.name === mode)!
    return { mode: parts[index].mode[mode], value: spec.values.indexOf(value) }
  }
  const programs: Program[] = sheet.programs.map((p, index) => ({
    index,
    id: p.id,
    title: p.title,
    firstPhase: p.firstPhase === undefined ? -1 : phaseIndex.get(p.firstPhase)!,
    sets: p.sets.map((s) => modeSet(partIndex.get(s.part)!, s.mode, s.value)),
    needs: p.needs,
    resets: p.resets,
    duration: p.duration,
  }))
  const faults = sheet.faults.map((f, index) => indexFault(f, index, sheet, parts, partIndex))
  return {
    sheet,
    parts,
    kinds,
    partIndex,
    params,
    spreadGroups: 0,
    values: Float64Array.from(params, (p) => p.nominal),
    modes: Int8Array.from(modes),
    modeOwner: Int32Array.from(modeOwner),
    states: Float64Array.from(states),
    stateTolerance: Float64Array.from(within),
    nodeCount: electric.count,
    nodeLabels: electric.labels,
    waterNodeCount: water.count,
    phases,
    programs,
    commands: parts.flatMap((p) => (kinds[p.index].command === undefined ? [] : [p.mode[kinds[p.index].command!]])),
    isolators: parts.flatMap((p) => {
      const { manual: hand, isolates } = kinds[p.index]
      return isolates && hand ? [{ mode: p.mode[hand.mode], value: hand.disconnected }] : []
    }),
    faults,
  }
}

/** A fault with its names replaced by indices. */
export function indexFault(
  f: SheetFault,
  index: number,
  sheet: Sheet,
  parts: readonly Part[],
  partIndex: ReadonlyMap<string, number>,
): Fault {
  return {
    index,
    id: f.id,
    title: f.title,
    part: partIndex.get(f.part)!,
    effects: f.effects.map((e): Effect => {
      if (e.type === 'swap')
        return {
          type: 'swap',
          medium: e.medium === 'wiring' ? 'nodes' : 'ports',
          partA: partIndex.get(e.a.part)!,
          endA: e.a.terminal,
          partB: partIndex.get(e.b.part)!,
          endB: e.b.terminal,
        }
      const target = partIndex.get(e.part)!
      if (e.type === 'param') return { type: 'param', param: parts[target].param[e.param], op: e.op, value: e.value }
      const spec = sheet.parts[target].kind.modes!.find((m) => m.name === e.mode)!
      return { type: 'mode', mode: parts[target].mode[e.mode], value: spec.values.indexOf(e.value) }
    }),
    ratePerYear: f.ratePerYear,
    priorExposureYears: f.priorExposureYears,
    severity: f.severity,
    repair: sheet.repairs.findIndex((r) => r.id === f.repair),
    intermittentShare: f.intermittentShare,
    causes: f.causes.map(({ fault, chance }) => ({ fault: sheet.faults.findIndex((x) => x.id === fault), chance })),
  }
}
