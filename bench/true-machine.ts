import type { Component } from '../core/physics/circuit'
import { findMeter, SENSES } from '../core/simulation/instrument'
import { makeFaultedMachine, type Machine, type ActiveFault } from '../core/model/machine'
import { WORKED } from '../core/diagnosis/plan'
import type { TestCatalogue, Procedure } from '../core/diagnosis/catalogue'
import type { ReadingValue } from '../core/foundation/quantity'
import { phaseTimes, plainVolts, runPlain, solveBoth, waterSolver, type PlainPoint, type PlainRun } from '../core/truth'
import type { WaterLink } from '../core/physics/water'
import { flat, normal, pick, type Random } from './random'

/** Chance that a hand slips: another scale, another test's terminals, any number. */
const SLIPS = 0.03
/** A counter needs a wave of this mean, V. */
const COUNTS_ABOVE = 0.5
/** Spread of a hand on a stopwatch, s. */
const REACTION = 0.4
/** Step of the plain runs, s: a small part of what a hand on a stopwatch is late. Phases of many minutes move by a second or two. */
const TRUE_STEP = 0.1

/** How far the truth may be from the sheet, beyond its tolerances: shares, drawn flat, each value by itself. `none`: the sheet's own values. */
export interface SheetErrors {
  values: number
  times: number
}

/** A machine that really stands there: its own values, its faults, meters of its own, run by the plain simulator alone. */
export class TrueMachine {
  readonly values: Float64Array
  private readonly gains = new Map<string, number>()
  private readonly dull = new Map<string, number>()
  private runs = new Map<number, PlainRun>()
  private steady = false

  constructor(
    readonly catalogue: TestCatalogue,
    public activeFaults: readonly ActiveFault[],
    private next: Random,
    errors?: SheetErrors | 'none',
    /** Chance that a hand slips. */
    private readonly slips = SLIPS,
  ) {
    const { machine } = catalogue
    this.values = Float64Array.from(machine.params, ({ id, nominal, sd, dimension }) => {
      if (errors === 'none') return nominal
      const off =
        errors && id !== 'ambient' ? 1 + (dimension === 'time' ? errors.times : errors.values) * (2 * next() - 1) : 1
      const value = nominal * off + flat(next) * sd
      return nominal > 0 ? Math.max(value, nominal * 0.05) : value
    })
  }

  /** The same machine on another visit: other meters, other slips, and as it was before any repair. */
  again(next: Random): TrueMachine {
    const other = Object.create(TrueMachine.prototype) as TrueMachine
    return Object.assign(other, this, { next, gains: new Map(), dull: new Map(), runs: this.runs })
  }
  /** The same machine after a repair. */
  repair(repair: number): void {
    this.activeFaults = this.activeFaults.filter((p) => p.fault.repair !== repair)
    this.runs = new Map()
  }
  run(index: number): PlainRun {
    let run = this.runs.get(index)
    if (!run) {
      const { interventions, script } = this.catalogue.runs[index]
      const faulted = makeFaultedMachine(this.machine, this.activeFaults, interventions, this.values)
      this.runs.set(index, (run = runPlain(faulted, script, TRUE_STEP)))
    }
    return run
  }
  private get machine(): Machine {
    return this.catalogue.machine
  }
  /** Complaints that come true in some plain run of a program. */
  complaints(): string[] {
    const { complaints } = this.machine.sheet
    const runs = this.catalogue.runs.filter(
      (r) => !r.interventions.length && this.machine.programs[r.program].serviceMinutes === undefined,
    )
    // What comes and goes is complained of on the days when it acts.
    const acting = this.activeFaults.map(({ fault, severity }) => ({ fault, severity }))
    const on = (index: number) =>
      this.activeFaults.some((p) => p.missProbability !== undefined)
        ? runPlain(
            makeFaultedMachine(this.machine, acting, [], this.values),
            this.catalogue.runs[index].script,
            TRUE_STEP,
          )
        : this.run(index)
    const shown = runs.map((r) => on(r.index).complaints)
    return complaints.filter((_, k) => shown.some((s) => s[k])).map((c) => c.id)
  }

  /** What a perfect instrument would show in a perfect hand. */
  exact(procedure: Procedure): ReadingValue {
    this.steady = true
    const shown = this.shown(procedure)
    this.steady = false
    return shown
  }

  /** What somebody writes down who takes a test on this machine. */
  read(procedure: Procedure): ReadingValue {
    const value = this.shown(procedure)
    if (this.next() >= this.slips) return value
    if (value.type === 'yes') return { type: 'no' }
    if (value.type === 'no') return { type: 'yes' }
    if (value.type !== 'value') return value
    switch (pick(this.next, ['scale', 'neighbour', 'any'] as const)) {
      case 'scale':
        return { type: 'value', si: value.si * (this.next() < 0.5 ? 1000 : 1e-3) }
      case 'neighbour': {
        // The probes sit on the terminals of another part, at the same moment.
        const like = this.catalogue.procedures.filter(
          (p) =>
            p !== procedure &&
            p.run === procedure.run &&
            p.moment === procedure.moment &&
            JSON.stringify(p.shape) === JSON.stringify(procedure.shape),
        )
        return like.length ? this.shown(pick(this.next, like)) : value
      }
      default:
        return { type: 'value', si: value.si * Math.exp(2 * normal(this.next)) }
    }
  }

  private shown(procedure: Procedure): ReadingValue {
    const { measurement: what } = procedure
    const run = this.run(procedure.run)
    if (what.type === 'code') return { type: 'word', word: run.snapshots[procedure.moment]?.code ?? 'none' }
    if (what.type === 'duration') {
      const { from, to } = phaseTimes(this.machine, run)[what.phase]
      return Number.isNaN(to - from)
        ? { type: 'never' }
        : this.metered('stopwatch', to - from + (this.steady ? 0 : REACTION * normal(this.next)))
    }
    const still = run.snapshots[procedure.moment]
    if (!still) return { type: 'never' }
    const { point: live } = still
    const { parts, kinds } = this.machine
    if (what.type === 'watch') return this.sensed(live.signal(what.part, what.signal), what.sense)
    if (what.type === 'between') throw new Error('the bench takes listed tests only')
    const part = live.faulted.parts[what.part]
    const { probe } = what
    const returns = () => {
      const supply = kinds.findIndex((k) => k.returns !== undefined)
      return live.faulted.parts[supply].nodes[kinds[supply].returns!]
    }
    switch (probe.type) {
      case 'sense':
        return this.sensed(live.signal(what.part, probe.signal), probe.sense)
      case 'volts': {
        const b = probe.b === '@return' ? returns() : part.nodes[probe.b]
        return this.metered(procedure.meter!, voltsWith(live, part.nodes[probe.a], b, procedure.meter!))
      }
      case 'ohms': {
        const own: Component[] = []
        if (probe.lifted) kinds[part.index].stamp?.(part, live, (c) => own.push(c))
        else own.push(...live.electrics.components().components)
        const ohms = ohmsOf(this.machine.nodeCount, own, part.nodes[probe.a], part.nodes[probe.b])
        return ohms > 40e6 ? { type: 'open' } : this.metered('ohms', ohms)
      }
      case 'amps':
        return this.metered('clamp', live.amps(part))
      case 'pressure':
      case 'bucket':
        return this.metered(procedure.meter!, drawn(live, parts[part.index].ports[probe.port], probe.type))
      case 'worked': {
        const own = this.activeFaults.filter((p) => p.fault.part === what.part)
        const hard = own.some((p) => p.missProbability === undefined)
        const clean = Array.from({ length: WORKED }).filter(
          () => !hard && own.every((p) => this.next() >= p.missProbability!) && this.next() > 0.002,
        ).length
        return { type: 'times', clean, of: WORKED }
      }
      case 'hertz': {
        const there = Math.abs(live.dcVolts(part.nodes[probe.a], part.nodes[probe.b])) > COUNTS_ABOVE
        return this.metered('counter', there ? live.signal(what.part, probe.signal) : 0)
      }
      case 'display':
        return this.metered(procedure.meter!, live.signal(what.part, probe.signal))
    }
  }

  private sensed(signal: number, sense: keyof typeof SENSES): ReadingValue {
    if (this.steady) return { type: signal > 0.5 ? 'yes' : 'no' }
    const { falseYes, falseNo } = SENSES[sense]
    // Whoever hears badly hears everything badly.
    let dull = this.dull.get(sense)
    if (dull === undefined) this.dull.set(sense, (dull = 0.3 + 1.4 * this.next()))
    return {
      type: signal > 0.5 ? (this.next() < dull * falseNo ? 'no' : 'yes') : this.next() < dull * falseYes ? 'yes' : 'no',
    }
  }
  /** One instrument has one gain for the whole visit. */
  private metered(id: string, truth: number): ReadingValue {
    const { gain, resolution, dimension } = findMeter(id)!
    if (this.steady) return { type: 'value', si: truth }
    let own = this.gains.get(id)
    if (own === undefined) this.gains.set(id, (own = 1 + gain * flat(this.next)))
    const si = truth * own + resolution * normal(this.next)
    return { type: 'value', si: dimension === 'temperature' ? si : Math.max(0, si) }
  }
}

/** The meter is one more resistor in the network, which is solved again as a whole. */
function voltsWith(live: PlainPoint, a: number, b: number, meterId: string): number {
  const { inputResistance: input, coupling: shows } = findMeter(meterId)!
  const loaded: Component[] = [...live.electrics.components().components, { type: 'R', a, b, ohms: input! }]
  const { ac, dc } = solveBoth(live.faulted.machine.nodeCount, loaded, live.omega)
  return plainVolts(shows === 'dc' ? dc : ac, a, b)
}

/** One volt behind 10 kΩ is put across the points; the resistance follows from what is left of it. */
function ohmsOf(nodes: number, components: readonly Component[], a: number, b: number): number {
  const dead = components
    .filter((c) => c.type !== 'RECT')
    .map((c) => (c.type === 'VAC' || c.type === 'VDC' ? { ...c, volts: 0 } : c))
  const { dc } = solveBoth(nodes, [...dead, { type: 'VDC', a, b, ohms: 1e4, volts: 1 }], 1)
  const volts = plainVolts(dc, a, b)
  return volts > 1 - 1e-9 ? Infinity : (1e4 * volts) / (1 - volts)
}

/** Opens a joint and lets the water run into a bucket, or through a needle of known resistance before a gauge. */
function drawn(live: PlainPoint, node: number, what: 'pressure' | 'bucket'): number {
  const upstream = live.water.links().links.filter((s) => s.from !== node)
  const fixedPressures = live.water.fixedPressures().slice()
  if (what === 'bucket') {
    fixedPressures[node] = 0
    const flow = waterSolver(upstream, fixedPressures)(fixedPressures)
    return upstream.reduce((q, s, k) => q + (s.to === node ? flow[k] : 0), 0)
  }
  const needle: WaterLink = {
    from: node,
    to: fixedPressures.length,
    quadratic: 1e22,
    linear: 0,
    ratedFlow: Infinity,
    regulatorSlope: 0,
    pressureRise: 0,
    oneWay: false,
  }
  const open = Float64Array.from([...fixedPressures, 0])
  const q = waterSolver([...upstream, needle], open)(open)[upstream.length]
  return needle.quadratic * q * q
}
