import type { MeasurementSpec, Part } from '../../model/kinds'
import type { Machine } from '../../model/machine'
import { MEASUREMENTS, type MeasurementType } from '../../simulation/measurements'
import type { OperatingPoint } from '../../simulation/simulate'
import { START_MINUTES } from './access-path'
import { PROGRAM_START } from './run-healthy'
import type { HealthyRuns, ReadingMoment } from './types'

/** Minutes from which it is worth entering a service mode instead of waiting. */
const MUCH_SOONER = 3
/** Turns after which something goes to and fro. */
const TO_AND_FRO = 4
/** Share of its time by which an event may come sooner or later on a machine within its tolerances. */
const MAY_SHIFT = 0.06
/** Pressure from which water stands before a part, Pa. */
const PRESSED = 0.2e5
/** Current from which a part counts as called, A. */
const CALLED_ABOVE = 1e-3

/** Whether the control calls for a part at an operating point. */
export function isActive({ kinds }: Machine, part: Part, point: OperatingPoint): boolean {
  const { active } = kinds[part.index]
  return active === undefined ? point.amps(part) > CALLED_ABOVE : point.signal(part.index, active) > 0.5
}

/** Finds the moments at which tests are taken, in the runs of the healthy machine. */
export class TestPlacement {
  /** Phases and moments of the sheet, each named by its id. */
  private readonly all: readonly ReadingMoment[]
  /** Of them, those of programs that run by themselves: where a hand has changed something on the way, only the sheet's own tests are taken. */
  readonly inPrograms: readonly ReadingMoment[]
  readonly start: ReadingMoment | undefined
  readonly end: ReadingMoment | undefined
  readonly off: ReadingMoment | undefined
  /** The end of the customer's run: of the first program that customers run. */
  readonly found: ReadingMoment | undefined

  constructor(private readonly runs: HealthyRuns) {
    const first = (type: 'start' | 'end' | 'off') => runs.readingMoments.find((m) => m.position.type === type)
    this.all = runs.readingMoments.filter(({ position: { type } }) => type === 'phase' || type === 'moment')
    this.inPrograms = this.all.filter(({ run }) => !runs.machine.programs[runs.runs[run].program].later.length)
    this.start = first('start')
    this.end = first('end')
    this.off = first('off')
    const usual = runs.machine.programs.find((p) => p.serviceMinutes === undefined)
    const left = runs.readingMoments.find(
      ({ position: { type }, run }) => type === 'end' && runs.runs[run].program === usual?.index,
    )
    this.found = left && { ...left, id: 'found', position: { type: 'found', program: usual!.index } }
  }
  phase(phase: number): ReadingMoment | undefined {
    return this.inPrograms.find(({ position }) => position.type === 'phase' && position.phase === phase)
  }
  /** A phase or a moment of the sheet by its id. */
  named(id: string): ReadingMoment | undefined {
    if (id === 'found') return this.found
    const has = (type: 'phase' | 'moment') => this.all.find((m) => m.position.type === type && m.id === id)
    return has('phase') ?? has('moment')
  }

  /** Where a test of a part is taken; `undefined` where its moment never comes or what it would read says nothing. */
  momentFor(part: Part, spec: MeasurementSpec): ReadingMoment | undefined {
    const type = MEASUREMENTS[spec.type] as MeasurementType
    switch (spec.when) {
      case 'isolated':
        if (spec.underPressure) return this.underPressure(part, spec.afterCall)
        return type.contactAsItStands && this.off && this.standsByChance(part, this.off) ? undefined : this.off
      case 'cold':
        return this.start
      case 'settled':
        return this.end && this.hasSomethingToRead(part, spec, this.end) ? this.end : undefined
      case 'found':
        // What stands behind a panel is not seen by coming in.
        return part.panel === undefined ? this.found : undefined
      case 'active':
        return this.alwaysActive(part) ?? this.soonest(this.inPrograms.filter((m) => this.isActive(part, m)))
      case 'idle':
        return (
          (type.idleBeforeStart ? this.idleBeforeStart(part) : undefined) ??
          this.inPrograms.find((m) => !m.final && !this.isActive(part, m))
        )
    }
  }
  /**
   * Where a current is looked for that should not be there: once for each set of outputs that are on while the part is not
   * called for. What holds it on may hang behind any of them.
   */
  idleMoments(part: Part): ReadingMoment[] {
    const { commands } = this.runs.machine
    const seen = new Set<string>()
    return this.inPrograms.filter((m) => {
      if (m.final || m.position.type !== 'phase' || this.isActive(part, m)) return false
      const on = commands.filter((mode) => m.point.modes[mode]).join(',')
      return on !== '' && !seen.has(on) && Boolean(seen.add(on))
    })
  }
  /** Off where water stands before the part even then, else the first moment at which it does and nobody calls for the part. */
  private underPressure(part: Part, afterCall = false): ReadingMoment | undefined {
    const [inlet] = Object.values(part.ports)
    const running = this.inPrograms.filter((m) => !m.final)
    const call = afterCall ? running.find((m) => this.isActive(part, m)) : undefined
    const after = call ? running.filter((m) => m.run === call.run && m.seconds > call.seconds) : []
    const moments = [this.off, ...after, this.start, ...running]
    const stands = (m: ReadingMoment | undefined) =>
      m !== undefined && m.point.pressure(inlet) > PRESSED && (m === this.off || !this.isActive(part, m))
    // What is fed by a vessel has no stop that could be turned down.
    return moments.find(stands) ?? (afterCall ? undefined : this.off)
  }
  private hasSomethingToRead(part: Part, spec: MeasurementSpec, { point }: ReadingMoment): boolean {
    if (!('signal' in spec)) return true
    const { where } = this.runs.machine.kinds[part.index].signals![spec.signal]
    return where === undefined || point.signal(part.index, where) > 0.5
  }
  /** The first, unless another comes sooner by far: a service step instead of most of a program. */
  private soonest(moments: readonly ReadingMoment[]): ReadingMoment | undefined {
    const { machine, runs } = this.runs
    const minutesTo = ({ run, seconds }: ReadingMoment) =>
      (machine.programs[runs[run].program].serviceMinutes ?? START_MINUTES) + seconds / 60
    const [first] = moments
    return moments.reduce(
      (best, m) => (minutesTo(m) < minutesTo(first) - MUCH_SOONER && minutesTo(m) < minutesTo(best) ? m : best),
      first,
    )
  }
  private isActive(part: Part, { point }: ReadingMoment): boolean {
    return isActive(this.runs.machine, part, point)
  }
  private isWet(part: Part): boolean {
    return this.runs.machine.kinds[part.index].ports.length > 0
  }
  /** Parts that work as soon as the supply is on are read then, whether or not a program can be started. */
  private alwaysActive(part: Part): ReadingMoment | undefined {
    const { start } = this
    return (this.runs.machine.idlePhase < 0 || !this.isWet(part)) && start && this.isActive(part, start)
      ? start
      : undefined
  }
  /** What should not be there is looked for before a program is started: no fault can keep a machine from coming to that. */
  private idleBeforeStart(part: Part): ReadingMoment | undefined {
    const { start } = this
    return start && this.isWet(part) && !this.isActive(part, start) ? start : undefined
  }
  /**
   * A contact that follows a level to and fro stands, when the power goes, where the level happens to be: its ohms in place
   * say nothing of it. Worked by hand they do.
   */
  private standsByChance(part: Part, { run }: ReadingMoment): boolean {
    if (part.line !== 'level' || !Object.keys(part.ref).length) return false
    const { machine, runs, healthy } = this.runs
    const cut = PROGRAM_START + machine.programs[runs[run].program].duration
    const turns = healthy[run].events.filter((e) => e.type === 'mode' && machine.modeOwner[e.mode] === part.index)
    return turns.length >= TO_AND_FRO && turns.some(({ time }) => Math.abs(time - cut) < MAY_SHIFT * cut)
  }
}
