import { problem, type ProblemCode } from '../../foundation/issues'
import { err, ok, type Result } from '../../foundation/result'
import type { Machine } from '../../model/machine'
import { alternativeMeters, findMeter, metersFor } from '../../simulation/instrument'
import type { Terminal } from '../../simulation/measurements'
import type { Procedure, ReadingMoment, TestCatalogue } from './types'

const PROBE = /^\s*([\w-]+)\.([\w-]+)\s+to\s+([\w-]+)\.([\w-]+)(?:\s+at\s+([\w-]+))?\s*$/

/** Minutes of clipping a meter on while the machine is dead. */
const CLIPS = 0.5
/** Minutes of a reading at a powered and at an isolated machine. */
const MINUTES = { energised: 1, isolated: 2 }

const fail = (code: ProblemCode, found: string, expected: string): Result<never> =>
  err(problem(code, ['probe'], { found, expected }))

function findTerminal(machine: Machine, id: string, terminal: string): Result<Terminal> {
  const part = machine.partIndex.get(id)
  if (part === undefined) return fail('unknown-part', id, 'the name of a part')
  if (terminal in machine.parts[part].nodes) return ok({ part, terminal })
  return fail('unknown-terminal', `${id}.${terminal}`, machine.kinds[part].terminals.join(', ') || 'a wired part')
}

function findMoment(
  { readingMoments }: TestCatalogue,
  wanted: string | undefined,
  isolated: boolean,
): Result<ReadingMoment> {
  const usual = isolated ? 'off' : 'phase'
  const found = readingMoments.find((m) => (wanted === undefined ? m.position.type === usual : m.id === wanted))
  const moment = found ?? (wanted === undefined ? readingMoments.at(0) : undefined)
  if (!moment)
    return fail('unknown-phase', wanted ?? 'nothing', [...new Set(readingMoments.map((m) => m.id))].join(', '))
  if (isolated && moment.position.type !== 'off')
    return fail('live-part', wanted ?? moment.id, 'ohms are taken at off, proved dead')
  return ok(moment)
}

/**
 * A probe of the technician's own choice, as text:
 *
 *     probe  := POINT "to" POINT [ "at" MOMENT ]
 *     POINT  := PART "." TERMINAL
 *     MOMENT := a phase or moment of the sheet, "start", "end" or "off"
 *
 * Without a moment: the first phase for a voltmeter, `off` for an ohmmeter.
 *
 * @example parseProbe(catalogue, 'cold-out.out to mains.N at fill-cold')
 * @param instrument id of a meter for volts or ohms; volts when left out
 * @returns a procedure like those of the catalogue, or what is wrong with the text
 */
export function parseProbe(catalogue: TestCatalogue, text: string, instrument = 'volts'): Result<Procedure> {
  const { machine } = catalogue
  const match = PROBE.exec(text)
  if (!match) return fail('wrong-shape', text, 'PART.TERMINAL to PART.TERMINAL [at MOMENT]')
  const meter = findMeter(instrument)
  if (meter?.dimension !== 'voltage' && meter?.dimension !== 'resistance')
    return fail('wrong-shape', instrument, 'a meter for volts or ohms')
  const a = findTerminal(machine, match[1], match[2])
  if (!a.ok) return a
  const b = findTerminal(machine, match[3], match[4])
  if (!b.ok) return b
  const isolated = meter.dimension === 'resistance'
  const moment = findMoment(catalogue, match[5], isolated)
  if (!moment.ok) return moment
  return ok(procedureOf(catalogue, a.value, b.value, moment.value, meter.dimension, instrument))
}

function procedureOf(
  { machine, runs }: TestCatalogue,
  a: Terminal,
  b: Terminal,
  at: ReadingMoment,
  dimension: 'voltage' | 'resistance',
  instrument: string,
): Procedure {
  const isolated = dimension === 'resistance'
  const quantity = isolated ? 'ohms' : 'volts'
  const ends = [a, b].flatMap((t) => [t.part, machine.kinds[t.part].terminals.indexOf(t.terminal)])
  const names = [a, b].map((t) => `${machine.parts[t.part].id}.${t.terminal}`)
  const workMode = isolated ? 'isolated' : 'energised'
  return {
    index: -1,
    key: ['~', at.run, at.moment, ...ends, isolated ? 1 : 0].join('.'),
    id: `${names.join(' to ')} at ${at.id}`,
    measurement: { type: 'between', quantity, a, b },
    run: at.run,
    moment: at.moment,
    watch: undefined,
    timing: { type: 'at', position: at.position },
    shape: { type: 'number', dimension },
    // A tester is an alternative to the meter of its quantity.
    meter: findMeter(instrument)?.threshold ? quantity : instrument,
    alternativeMeters: isolated ? alternativeMeters('ohms') : metersFor('voltage'),
    workMode,
    needs: {
      power: isolated ? 'off' : 'on',
      asFound: false,
      loosened: isolated ? [] : [{ key: `c${names.join()}`, type: 'clips', part: a.part, minutes: CLIPS }],
      panels: [...new Set([a, b].flatMap((t) => machine.parts[t.part].panel ?? []))],
      arrival:
        isolated || at.position.type === 'start' ? undefined : { program: runs[at.run].program, seconds: at.seconds },
    },
    minutes: MINUTES[workMode],
    caution: undefined,
    destroys: isolated ? 'live-state' : undefined,
  }
}

/** A listed test by its id, or the free probe that a text describes. */
export function findProcedure(catalogue: TestCatalogue, test: string, instrument?: string): Procedure | undefined {
  const listed = catalogue.procedures.find((p) => p.id === test)
  if (listed || !test.includes(' to ')) return listed
  const parsed = parseProbe(catalogue, test, instrument)
  return parsed.ok ? parsed.value : undefined
}
