import { problem } from '../../foundation/issues'
import { ok, err, type Result } from '../../foundation/result'
import { findMeter, type Meter } from '../../simulation/instrument'
import type { ReadingShape } from '../../foundation/quantity'
import type { ReadingMoment } from './run-healthy'
import { ALTERNATIVE_METERS, type TestCatalogue } from './build-catalogue'
import type { Terminal, Procedure } from './types'

/**
 * A probe of the technician's own choice, as text:
 *
 *     probe  := POINT "to" POINT [ "at" MOMENT ]
 *     POINT  := PART "." TERMINAL
 *     MOMENT := a phase or moment of the sheet, "start", "end" or "off"
 *
 * Without a moment: the first phase for a voltmeter, `off` for an ohmmeter.
 *
 * @example readProbe(bench, 'cold-out.out to mains.N at fill-cold')
 * @param instrument id of a meter for volts or ohms; volts when left out
 * @returns a procedure like those of `listProcedures`, or what is wrong with the text
 */
export function parseProbe(catalogue: TestCatalogue, text: string, instrument = 'volts'): Result<Procedure> {
  const { machine, runs } = catalogue
  const say = (code: Parameters<typeof problem>[0], found: string, expected: string) =>
    err(problem(code, ['probe'], { found, expected }))
  const m = /^\s*([\w-]+)\.([\w-]+)\s+to\s+([\w-]+)\.([\w-]+)(?:\s+at\s+([\w-]+))?\s*$/.exec(text)
  if (!m) return say('wrong-shape', text, 'PART.TERMINAL to PART.TERMINAL [at MOMENT]')
  const meter = findMeter(instrument)
  if (meter?.dimension !== 'voltage' && meter?.dimension !== 'resistance')
    return say('wrong-shape', instrument, 'a meter for volts or ohms')
  const points: Terminal[] = []
  for (const [id, terminal] of [
    [m[1], m[2]],
    [m[3], m[4]],
  ]) {
    const part = machine.partIndex.get(id)
    if (part === undefined) return say('unknown-part', id, 'the name of a part')
    if (!(terminal in machine.parts[part].nodes))
      return say('unknown-terminal', `${id}.${terminal}`, machine.kinds[part].terminals.join(', ') || 'a wired part')
    points.push({ part, terminal })
  }
  const dead = meter.dimension === 'resistance'
  const wanted = m[5]
  const readingMoment =
    catalogue.readingMoments.find((s) =>
      wanted === undefined ? (dead ? s.type === 'off' : s.type === 'phase') : s.id === wanted,
    ) ?? catalogue.readingMoments[0]
  if (!readingMoment || (wanted !== undefined && readingMoment.id !== wanted))
    return say('unknown-phase', wanted ?? 'nothing', [...new Set(catalogue.readingMoments.map((s) => s.id))].join(', '))
  if (dead && readingMoment.type !== 'off')
    return say('live-part', wanted ?? readingMoment.id, 'ohms are taken at off, proved dead')
  const [a, b] = points
  const panels = [...new Set([a, b].flatMap((p) => machine.parts[p.part].panel ?? []))]
  return ok({
    index: -1,
    key: [
      '~',
      readingMoment.run,
      readingMoment.moment,
      a.part,
      machine.kinds[a.part].terminals.indexOf(a.terminal),
      b.part,
      machine.kinds[b.part].terminals.indexOf(b.terminal),
      dead ? 1 : 0,
    ].join('.'),
    id: probeId(m[1], m[2], m[3], m[4], readingMoment),
    title: `${m[1]}.${m[2]} to ${m[3]}.${m[4]}`,
    measurement: { type: 'between', a, b },
    run: readingMoment.run,
    moment: readingMoment.moment,
    when: readingMoment.title,
    shape: { type: 'number', dimension: meter.dimension },
    meter: meter.threshold ? (dead ? 'ohms' : 'volts') : meter.id,
    alternativeMeters: dead ? ALTERNATIVE_METERS.ohms : ['volts', 'volts-dc', 'volts-lowz', 'volts-dc-lowz', 'neon'],
    workMode: dead ? 'isolated' : 'energised',
    needs: {
      power: dead ? 'off' : 'on',
      panels,
      arrival:
        dead || readingMoment.type === 'start'
          ? undefined
          : { program: runs[readingMoment.run].program, seconds: readingMoment.seconds },
    },
    minutes: dead ? 2 : 1.5,
    caution: undefined,
    destroys: dead ? 'switching off ends what the machine shows now: codes, levels and voltages' : undefined,
  })
}

const probeId = (a: string, t: string, b: string, u: string, readingMoment: ReadingMoment) =>
  `${a}.${t} to ${b}.${u} at ${readingMoment.id}`

/** A listed test by its id, or the free probe that a text describes. */
export function findProcedure(catalogue: TestCatalogue, test: string, instrument?: string): Procedure | undefined {
  const listed = catalogue.procedures.find((p) => p.id === test)
  if (listed || !test.includes(' to ')) return listed
  const read = parseProbe(catalogue, test, instrument)
  return read.ok ? read.value : undefined
}

/** How the reading of a test is written with an instrument: a tester says yes or no where a meter shows a number. */
export function readingShapeFor(procedure: Procedure, instrument: string | undefined): ReadingShape {
  const meter: Meter | undefined = instrument === undefined ? undefined : findMeter(instrument)
  return meter?.threshold ? { type: 'yes-no' } : procedure.shape
}
