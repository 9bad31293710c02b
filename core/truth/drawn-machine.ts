import type { ReadingValue } from '../foundation/quantity'
import {
  benchBand,
  holdsMode,
  makeFaultedMachine,
  type ActiveFault,
  type Machine,
  type ModeSetting,
} from '../model/machine'
import type { CircumstanceId, Part } from '../model/kinds'
import type { Procedure, TestCatalogue } from '../diagnosis/catalogue'
import { findMeter } from '../simulation/instrument'
import type { Measurement, MeasurementOf } from '../simulation/measurements'
import { DrawnHand } from './drawn-hand'
import { LivePlain } from './live-plain'
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
/** Of those who wait in vain, how many read what shows there instead. */
const READ_ALL_THE_SAME = 0.2
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
  /** The customer's runs, and those of whoever comes to look: with what the customer's left tripped or blown. */
  private runs = { customers: new Map<number, PlainRun>(), visit: new Map<number, PlainRun>() }
  private readonly hand: DrawnHand

  constructor(
    readonly catalogue: TestCatalogue,
    public activeFaults: readonly ActiveFault[],
    private next: Random,
    errors?: SheetErrors | 'none',
    /** Chance of a gross error. */
    private readonly grossErrors = GROSS_ERRORS,
  ) {
    this.hand = new DrawnHand(next)
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
    return Object.assign(other, this, { next, hand: new DrawnHand(next), runs: this.runs })
  }
  /** The same machine after a repair. */
  repair(repair: number): void {
    this.activeFaults = this.activeFaults.filter((p) => !p.fault.curedBy.includes(repair))
    this.runs = { customers: new Map(), visit: new Map() }
  }
  /** The same machine as somebody stands before it, at rest, to be run as time goes by. */
  live(): LivePlain {
    return new LivePlain(makeFaultedMachine(this.machine, this.activeFaults, [], this.values))
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
    this.hand.steady = true
    const shown = this.shown(procedure)
    this.hand.steady = false
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
      return Number.isNaN(from) ? { type: 'never' } : this.timed(procedure, to - from, to)
    }
    if (procedure.watch !== undefined) {
      const watched = run.watched[procedure.watch]
      if (!watched) return { type: 'never' }
      const seen =
        m.type === 'watch' && m.asks === 'always' ? this.hand.missesNothing(watched) : this.hand.notices(watched)
      if (m.type === 'sense' || m.type === 'watch')
        return this.hand.senses(seen, m.sense, m.type === 'sense' ? m.plain : undefined)
      const { through } = this.catalogue.runs[procedure.run].script.watches![procedure.watch]
      const to = through.type === 'phase' ? phaseTimes(this.machine, run)[through.phase].to : NaN
      return seen ? this.timed(procedure, watched.on, watched.last ? to : 0) : { type: 'never' }
    }
    if (m.type === 'on-time') throw new Error('What is timed is watched.')
    const snapshot = run.snapshots[procedure.moment]
    if (snapshot) return this.shownAt(snapshot.point, m, procedure.meter)
    // Some read what is there all the same.
    const standing = run.standing[procedure.moment]
    if (this.hand.steady || !standing || this.next() > READ_ALL_THE_SAME) return { type: 'never' }
    return this.shownAt(standing, m, procedure.meter)
  }

  /** A stop-watch on what lasted so many seconds. @param to when it ended, s; NaN where nothing did */
  private timed({ run }: Procedure, seconds: number, to: number): ReadingValue {
    // Switched off at the end of its time, it was still in it.
    const off = this.catalogue.runs[run].script.steps.findLast((s) => s.hold)!.at
    return Number.isNaN(to) || to > off - 2 * TRUE_STEP ? { type: 'never-ended' } : this.hand.times(seconds)
  }

  private shownAt(
    point: PlainPoint,
    m: Exclude<Measurement, { type: 'code' | 'duration' | 'on-time' }>,
    meter: string | undefined,
  ): ReadingValue {
    if (m.type === 'between') throw new Error('A drawn machine takes listed tests only.')
    const part = point.faulted.parts[m.part]
    switch (m.type) {
      case 'watch':
      case 'sense':
        return this.hand.senses(point.signal(m.part, m.signal) > 0.5, m.sense, m.type === 'sense' ? m.plain : undefined)
      case 'volts': {
        const b = m.b === '@return' ? returnNode(point, m.part, m.a) : part.nodes[m.b]
        const shown = voltsWith(point, part.nodes[m.a], b, findMeter(meter!)!)
        return this.hand.reads(meter!, shown + this.hand.pickedUp(point, part.nodes[m.a], b, meter!))
      }
      case 'ohms': {
        const b = m.b === '@return' ? returnNode(point, m.part, m.a) : part.nodes[m.b]
        const ohms = ohmsOf(point, part.nodes[m.a], b, m.lifted ? part : undefined)
        return ohms > LARGEST_OHMS ? { type: 'open' } : this.hand.reads('ohms', ohms)
      }
      case 'insulation': {
        const ohms = ohmsOf(point, part.nodes[m.a], part.nodes[m.b], part)
        const { from, to } = findMeter(meter!)!.threshold!
        return { type: ohms > from * (to / from) ** (this.hand.steady ? 0.5 : this.next()) ? 'yes' : 'no' }
      }
      case 'amps':
        return this.hand.reads('clamp', point.amps(part, m.at === undefined ? undefined : part.nodes[m.at]))
      case 'pressure':
      case 'bucket':
        return this.hand.reads(meter!, waterAt(point, this.machine.parts[m.part].ports[m.port], m.type))
      case 'flowing': {
        const node = this.machine.parts[m.part].ports[m.port]
        return this.hand.reads(meter!, m.of === 'pressure' ? point.pressure(node) : flowInto(point, node))
      }
      case 'connection':
        return this.connected(part, m)
      case 'tapped': {
        const freed = this.provoked(this.activeFaults, part.mode[m.frees], 'tapping')
        const called = point.signal(m.part, m.called) > 0.5
        return this.hand.senses(point.signal(m.part, m.signal) > 0.5 || (called && freed), m.sense)
      }
      case 'throttled': {
        const resting = this.activeFaults.filter((f) => f.missProbability !== undefined)
        const woken = this.provoked(resting, part.mode[m.wakes], 'weak-water')
        return this.hand.senses(point.signal(m.part, m.signal) > 0.5 || woken, m.sense, true)
      }
      case 'worked':
        return this.worked(part, m.only)
      case 'bench':
        return this.onBench(point, part, m)
      case 'hertz': {
        const there = Math.abs(point.dcVolts(part.nodes[m.a], part.nodes[m.b])) > COUNTS_ABOVE
        return this.hand.reads('counter', there ? point.signal(m.part, m.signal) : 0)
      }
      case 'display':
        return this.displayed(point, m, meter!)
    }
  }
  private connected(part: Part, m: MeasurementOf<'connection'>): ReadingValue {
    const own = this.machine.parts[m.part][m.medium][m.end] === part[m.medium][m.end]
    return this.hand.senses(own, 'eye', m.medium === 'ports' ? true : undefined)
  }
  private displayed(point: PlainPoint, m: MeasurementOf<'display'>, meter: string): ReadingValue {
    const { where } = point.faulted.machine.kinds[m.part].signals![m.signal]
    if (where !== undefined && point.signal(m.part, where) < 0.5) return { type: 'never' }
    return this.hand.reads(meter, point.signal(m.part, m.signal))
  }
  /** Whether any fault that holds a mode gives way, or shows, under what people say of it. */
  private provoked(faults: readonly ActiveFault[], mode: number, said: CircumstanceId): boolean {
    const own = faults.filter(({ fault }) => holdsMode(fault, mode))
    return own.some(({ fault }) => (this.hand.steady ? 0.5 : this.next()) < (fault.saidWith[said] ?? 0))
  }
  /** Tried by itself: whether it turns at all, and within the band that is printed for good ones. */
  private onBench(point: PlainPoint, { index, mode }: Part, m: MeasurementOf<'bench'>): ReadingValue {
    const own = this.activeFaults.filter(
      ({ fault }) => fault.part === index && fault.effects.some((e) => e.type === 'mode'),
    )
    const sticks = own.some(
      (f) => f.missProbability === undefined || (!this.hand.steady && this.next() < f.missProbability),
    )
    const spent = m.check === 'heated' && this.machine.staying.includes(mode.contact) && point.modes[mode.contact] === 0
    const band = m.shows && benchBand(this.machine, index, m.shows)
    const turnsAt = band ? band.params.reduce((product, p) => product * point.faulted.values[p], 1) : 0
    const read = turnsAt + (band && !this.hand.steady ? band.readBy * normal(this.next) : 0)
    const good = !sticks && !spent && (!band || (read >= band.from && read <= band.to))
    return this.hand.senses(good, 'eye', true)
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
}
