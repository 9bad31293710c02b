import type { ReadingValue } from '../foundation/quantity'
import { holdsMode, makeFaultedMachine, type ActiveFault, type Machine, type ModeSetting } from '../model/machine'
import type { Part } from '../model/kinds'
import type { Procedure, TestCatalogue } from '../diagnosis/catalogue'
import { findMeter, SENSES } from '../simulation/instrument'
import type { Measurement } from '../simulation/measurements'
import type { Watched } from '../simulation/simulate'
import { flowInto, ohmsOf, returnNode, voltsWith, waterAt } from './plain-instruments'
import type { PlainPoint } from './plain-point'
import { flat, normal, pick, type Random } from './random'
import { phaseTimes, runPlain, type PlainRun } from './run'

/** Chance of a gross error: another scale, another test's terminals, any number. */
const GROSS_ERRORS = 0.03
/** A counter needs a wave of this mean, V. */
const COUNTS_ABOVE = 0.5
/** Above this an ohmmeter shows OL, Ω. */
const LARGEST_OHMS = 40e6
/** Times that a switch is worked, and how often a good one is misjudged. */
const TIMES_WORKED = 10
const MISJUDGED = 0.002
/** Spread of a hand on a stopwatch, s. */
const REACTION = 0.4
/** Chance that somebody is mistaken about what is plain to see. */
const PLAINLY_MISTAKEN = 0.01
/** What is there for so long is never missed for being short, s. */
const LONG_ENOUGH = 2
/** Of those who wait in vain, how many read what shows there instead. */
const READ_ALL_THE_SAME = 0.2
/** A lead hangs on nothing from here on, Ω, and catches up to so many volts on a meter of high resistance, twice what it shows. */
const FLOATING = 1e5
const CAUGHT = 18
/** Step of the plain runs, s: a small part of what a hand on a stopwatch is late. Phases of many minutes move by a second or two. */
const TRUE_STEP = 0.1

/** How far the truth may be from the sheet, beyond its tolerances: shares, drawn flat, each value by itself. `none`: the sheet's own values. */
export interface SheetErrors {
  values: number
  times: number
}

/** A machine that really stands there: its own values, its faults, meters of its own, run by the plain simulator alone. */
export class DrawnMachine {
  readonly values: Float64Array
  private readonly gains = new Map<string, number>()
  private readonly dull = new Map<string, number>()
  private readonly zeros = new Map<string, number>()
  /** The customer's runs, and those of whoever comes to look: with what the customer's left tripped or blown. */
  private runs = { customers: new Map<number, PlainRun>(), visit: new Map<number, PlainRun>() }
  private steady = false

  constructor(
    readonly catalogue: TestCatalogue,
    public activeFaults: readonly ActiveFault[],
    private next: Random,
    errors?: SheetErrors | 'none',
    /** Chance of a gross error. */
    private readonly grossErrors = GROSS_ERRORS,
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

  /** The same machine on another visit: other meters, other errors, and as it was before any repair. */
  again(next: Random): DrawnMachine {
    const other = Object.create(DrawnMachine.prototype) as DrawnMachine
    return Object.assign(other, this, { next, gains: new Map(), dull: new Map(), zeros: new Map(), runs: this.runs })
  }
  /** The same machine after a repair. */
  repair(repair: number): void {
    this.activeFaults = this.activeFaults.filter((p) => p.fault.repair !== repair)
    this.runs = { customers: new Map(), visit: new Map() }
  }
  /** A run as somebody on a visit sees it. */
  run(index: number): PlainRun {
    const { left } = this.customersRun(this.catalogue.customersRun)
    return left.length ? this.runFrom('visit', index, left) : this.customersRun(index)
  }
  private customersRun(index: number): PlainRun {
    return this.runFrom('customers', index, [])
  }
  private runFrom(whose: 'customers' | 'visit', index: number, starts: readonly ModeSetting[]): PlainRun {
    const { interventions, script } = this.catalogue.runs[index]
    let run = this.runs[whose].get(index)
    if (!run) {
      const faulted = makeFaultedMachine(this.machine, this.activeFaults, interventions, this.values)
      this.runs[whose].set(index, (run = runPlain(faulted, { ...script, starts }, TRUE_STEP)))
    }
    return run
  }
  private get machine(): Machine {
    return this.catalogue.machine
  }
  /** Complaints that come true in some plain run of a program. */
  complaints(): string[] {
    const { complaints } = this.machine
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
        : this.customersRun(index)
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
    if (this.next() >= this.grossErrors) return value
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

  /** The same of somebody whose eyes and ears are not mistaken and whose hand does not slip; meters have their errors. */
  readSurely(procedure: Procedure): ReadingValue {
    const exact = this.exact(procedure)
    return exact.type === 'value' || exact.type === 'times' ? this.shown(procedure) : exact
  }

  private shown(procedure: Procedure): ReadingValue {
    const { measurement: m } = procedure
    const run = procedure.needs.asFound ? this.customersRun(procedure.run) : this.run(procedure.run)
    if (m.type === 'code') return { type: 'word', word: run.snapshots[procedure.moment]?.code ?? 'none' }
    if (m.type === 'duration') {
      const { from, to } = phaseTimes(this.machine, run)[m.phase]
      if (Number.isNaN(from)) return { type: 'never' }
      const { script } = this.catalogue.runs[procedure.run]
      // Switched off at the end of its time, it was still in it.
      const off = script.steps.findLast((s) => s.hold)!.at
      if (Number.isNaN(to) || to > off - 2 * TRUE_STEP) return { type: 'never-ended' }
      return this.metered('stopwatch', to - from + (this.steady ? 0 : REACTION * normal(this.next)))
    }
    if (procedure.watch !== undefined && m.type === 'sense') {
      const watched = run.watched[procedure.watch]
      return watched ? this.sensed(this.isThere(watched) ? 1 : 0, m.sense, m.plain) : { type: 'never' }
    }
    const snapshot = run.snapshots[procedure.moment]
    if (snapshot) return this.shownAt(snapshot.point, m, procedure.meter)
    // Some read what is there all the same.
    const standing = run.standing[procedure.moment]
    if (this.steady || !standing || this.next() > READ_ALL_THE_SAME) return { type: 'never' }
    return this.shownAt(standing, m, procedure.meter)
  }

  private shownAt(
    point: PlainPoint,
    m: Exclude<Measurement, { type: 'code' | 'duration' }>,
    meter: string | undefined,
  ): ReadingValue {
    if (m.type === 'between') throw new Error('A drawn machine takes listed tests only.')
    const part = point.faulted.parts[m.part]
    switch (m.type) {
      case 'watch':
      case 'sense':
        return this.sensed(point.signal(m.part, m.signal), m.sense, m.type === 'sense' ? m.plain : undefined)
      case 'volts': {
        const b = m.b === '@return' ? returnNode(point, m.part, m.a) : part.nodes[m.b]
        const shown = voltsWith(point, part.nodes[m.a], b, findMeter(meter!)!)
        return this.metered(meter!, shown + this.pickedUp(point, part.nodes[m.a], b, meter!))
      }
      case 'ohms': {
        const b = m.b === '@return' ? returnNode(point, m.part, m.a) : part.nodes[m.b]
        const ohms = ohmsOf(point, part.nodes[m.a], b, m.lifted ? part : undefined)
        return ohms > LARGEST_OHMS ? { type: 'open' } : this.metered('ohms', ohms)
      }
      case 'insulation': {
        const ohms = ohmsOf(point, part.nodes[m.a], part.nodes[m.b], part)
        const { from, to } = findMeter(meter!)!.threshold!
        return { type: ohms > from * (to / from) ** (this.steady ? 0.5 : this.next()) ? 'yes' : 'no' }
      }
      case 'amps':
        return this.metered('clamp', point.amps(part, m.at === undefined ? undefined : part.nodes[m.at]))
      case 'pressure':
      case 'bucket':
        return this.metered(meter!, waterAt(point, this.machine.parts[m.part].ports[m.port], m.type))
      case 'flowing': {
        const node = this.machine.parts[m.part].ports[m.port]
        return this.metered(meter!, m.of === 'pressure' ? point.pressure(node) : flowInto(point, node))
      }
      case 'connection': {
        const own = this.machine.parts[m.part][m.medium][m.end] === part[m.medium][m.end]
        return this.sensed(own ? 1 : 0, 'eye', m.medium === 'ports' ? true : undefined)
      }
      case 'tapped': {
        const stuck = this.activeFaults.filter(({ fault }) => holdsMode(fault, part.mode[m.frees]))
        const freed = stuck.some(({ fault }) => (this.steady ? 0.5 : this.next()) < (fault.saidWith.tapping ?? 0))
        const called = point.signal(m.part, m.called) > 0.5
        return this.sensed(point.signal(m.part, m.signal) > 0.5 || (called && freed) ? 1 : 0, m.sense)
      }
      case 'worked':
        return this.worked(part, m.only)
      case 'hertz': {
        const there = Math.abs(point.dcVolts(part.nodes[m.a], part.nodes[m.b])) > COUNTS_ABOVE
        return this.metered('counter', there ? point.signal(m.part, m.signal) : 0)
      }
      case 'display': {
        const { where } = point.faulted.machine.kinds[m.part].signals![m.signal]
        if (where !== undefined && point.signal(m.part, where) < 0.5) return { type: 'never' }
        return this.metered(meter!, point.signal(m.part, m.signal))
      }
    }
  }
  private worked({ index, mode }: Part, only: string | undefined): ReadingValue {
    const own = this.activeFaults.filter(({ fault }) =>
      only === undefined ? fault.part === index : holdsMode(fault, mode[only]),
    )
    const hard = own.some((p) => p.missProbability === undefined)
    const clean = Array.from({ length: TIMES_WORKED }).filter(
      () => !hard && own.every((p) => this.next() >= p.missProbability!) && this.next() > MISJUDGED,
    ).length
    return { type: 'times', clean, of: TIMES_WORKED }
  }

  /** Whether somebody who watches through a phase is there to see what is short: the shorter, the less. */
  private isThere({ seconds, on, ever }: Watched): boolean {
    if (!ever || on > LONG_ENOUGH || on >= seconds / 2) return ever
    return !this.steady && this.next() < on / LONG_ENOUGH
  }

  private sensed(signal: number, sense: keyof typeof SENSES, plain?: true): ReadingValue {
    if (this.steady) return { type: signal > 0.5 ? 'yes' : 'no' }
    if (plain) return { type: signal > 0.5 === this.next() > PLAINLY_MISTAKEN ? 'yes' : 'no' }
    const { falseYes, falseNo } = SENSES[sense]
    // Whoever hears badly hears everything badly.
    let dull = this.dull.get(sense)
    if (dull === undefined) this.dull.set(sense, (dull = 0.3 + 1.4 * this.next()))
    return {
      type: signal > 0.5 ? (this.next() < dull * falseNo ? 'no' : 'yes') : this.next() < dull * falseYes ? 'yes' : 'no',
    }
  }
  /** What a lead that hangs on nothing catches from its neighbours, V; a meter's own zero, the same all day. */
  private pickedUp(point: PlainPoint, a: number, b: number, id: string): number {
    const { inputResistance: input = 10e6, coupling, zero = 0 } = findMeter(id)!
    if (this.steady) return 0
    let own = this.zeros.get(id)
    if (own === undefined) this.zeros.set(id, (own = zero * Math.abs(normal(this.next))))
    if (coupling === 'dc') return own
    const ohms = ohmsOf(point, a, b, undefined)
    const over = ohms === Infinity ? input : (ohms * input) / (ohms + input)
    return own + (over > FLOATING ? CAUGHT * (over / (over + input)) * this.next() : 0)
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
