import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { checkSheet } from '../../../core/diagnosis/catalogue'
import { InputError } from '../../../core/foundation/result'
import { readSheet, readSheetWithSource } from '../../../core/model/sheet'
import { edit } from '../support/sheets'

/** A whole small machine; line numbers of the mistakes below are of this text. */
const SHEET = `sheet: 1
id: small
title: A small machine
frequency: 50 Hz
parts:
  mains: { kind: ac-supply, volts: 230 V }
  plug: { kind: isolator }
  board: { kind: board, wakes: 165 V }
  out: { kind: output }
  valve: { kind: solenoid-valve, rated-volts: 230 V, rated-power: 8 VA }
  heater: { kind: heater, in: tank, rated-volts: 230 V, rated-power: 2 kW }
  main: { kind: water-supply }
  tank: { kind: vessel, litres: 6 L, height: 200 mm }
  probe: { kind: probe, of: tank, at: 100 mm }
  probe-in: { kind: sense-input }
wiring:
  live: [mains.L, plug.Lin/Lout, board.L]
  neutral: [mains.N, plug.Nin/Nout, board.N]
  fill: [board.L, out, valve, board.N]
  heat: [plug.Lout, heater, plug.Nout]
  probe: [probe-in.in, probe, probe-in.com]
water: { fill: [main.out, valve, tank.top] }
control: { powered: board.powered }
programs: { run: { title: Run, begins: fill, lasts: 9 min } }
phases:
  fill: { title: Fill, on: [out], exits: [{ when: probe-in.closed, to: done }, { when: after 4 min, to: done, alarm: E1 }] }
  done: { title: Done, final: true }
alarms: { E1: { title: no water } }
complaints: { dry: { says: No water, when: alarm E1 } }
faults:
  valve.coil-open: { repair: new }
  board.dead: { repair: new }
  slow: { part: main, rate: 0.01 /year, effects: [{ set: main.passes, times: severity }], severity: { from: 0.001, to: 0.01, scale: log }, repair: new }
repairs: { new: { title: new part, minutes: 5 min } }
`

const mistakesOf = (text: string) => {
  const read = readSheetWithSource(text, 'small.yaml', findShipped)
  if (!read.ok) return read.problems
  try {
    return read.value.sourceMap.locate(checkSheet(read.value.sheet))
  } catch (error) {
    if (error instanceof InputError) return read.value.sourceMap.locate(error.problems)
    throw error
  }
}

describe('what is wrong with a sheet', () => {
  it('is nothing with the one that all the mistakes are made in', () => {
    expect(
      mistakesOf(
        edit(
          SHEET,
          'complaints: { dry: { says: No water, when: alarm E1 } }',
          'complaints: { dry: { says: No water, when: alarm E1 or never board.powered } }',
        ),
      ),
    ).toEqual([])
  })
  it.each([
    {
      what: 'a part in no chain',
      from: '  heat: [plug.Lout, heater, plug.Nout]\n',
      to: '',
      code: 'in-no-chain',
      line: 11,
      says: 'heater',
    },
    {
      what: 'one side of a part forgotten',
      from: 'heat: [plug.Lout, heater, plug.Nout]',
      to: 'heat: [plug.Lout, heater.a]',
      code: 'no-way-back',
      line: 11,
      says: 'heater',
    },
    {
      what: 'the neutral forgotten',
      from: '  neutral: [mains.N, plug.Nin/Nout, board.N]\n',
      to: '',
      code: 'no-way-back',
      line: 6,
      says: 'mains.N',
    },
    {
      what: 'a dead short',
      from: 'heat: [plug.Lout, heater, plug.Nout]',
      to: 'heat: [plug.Lout, heater, plug.Nout]\n  short: [plug.Lout, plug.Nout]',
      code: 'dead-short',
      line: 6,
      says: 'live',
    },
    {
      what: 'a shorted probe',
      from: 'probe-in.com]',
      to: 'probe-in.com]\n  wet: [probe.tip, probe.shell]',
      code: 'shorted-part',
      line: 14,
      says: 'probe.tip',
    },
    {
      what: 'a control that never wakes',
      from: 'wakes: 165 V',
      to: 'wakes: 400 V',
      code: 'never-begins',
      line: 23,
      says: 'no program',
    },
    {
      what: 'a negative time',
      from: 'lasts: 9 min',
      to: 'lasts: -9 min',
      code: 'out-of-range',
      line: 24,
      says: '-9 min',
    },
    {
      what: 'a negative time in a condition',
      from: 'after 4 min',
      to: 'after -4 min',
      code: 'bad-condition',
      line: 26,
      says: '',
    },
    {
      what: 'a tolerance without its unit',
      from: 'rated-power: 2 kW',
      to: 'rated-power: 2 kW ±9',
      code: 'out-of-range',
      line: 11,
      says: '9 kW',
    },
    {
      what: 'a severity that nothing goes by',
      from: 'valve.coil-open: { repair: new }',
      to: 'valve.coil-open: { repair: new, severity: { from: 1, to: 2, scale: log } }',
      code: 'out-of-range',
      line: 31,
      says: 'no effect goes by',
    },
    {
      what: 'an effect without its severity',
      from: ', severity: { from: 0.001, to: 0.01, scale: log }',
      to: '',
      code: 'missing',
      line: 33,
      says: 'no severity',
    },
    {
      what: 'a severity of no width',
      from: 'from: 0.001, to: 0.01',
      to: 'from: 0.01, to: 0.01',
      code: 'out-of-range',
      line: 33,
      says: '0.01',
    },
    {
      what: 'a unit typed without its sign',
      from: 'litres: 6 L',
      to: 'area: 300 cm2',
      code: 'bad-quantity',
      line: 13,
      says: 'cm2',
      hint: 'cm²',
    },
    {
      what: 'another',
      from: 'kind: water-supply',
      to: 'kind: water-supply, conducts: 500 uS/cm',
      code: 'bad-quantity',
      line: 12,
      says: 'uS/cm',
      hint: 'µS/cm',
    },
    {
      what: 'a colon in a text',
      from: 'title: A small machine',
      to: 'title: A machine: small',
      code: 'not-yaml',
      line: 3,
      says: '',
      hint: 'in quotes',
    },
    {
      what: 'a colon in a text within a line',
      from: 'title: Run,',
      to: 'title: Run: now,',
      code: 'not-yaml',
      line: 24,
      says: '',
      hint: 'in quotes',
    },
    {
      what: 'volts without the power',
      from: ', rated-power: 8 VA',
      to: '',
      code: 'missing',
      line: 10,
      says: 'without rated-power',
    },
    {
      what: 'a rating of nothing',
      from: 'rated-power: 8 VA',
      to: 'rated-power: 0 VA',
      code: 'out-of-range',
      line: 10,
      says: '0 VA',
    },
    {
      what: 'a sense on a figure',
      from: 'repairs: {',
      to: 'tests: { look: { title: Look, sense: tank.level, by: eye, moment: fill, minutes: 1 min } }\nrepairs: {',
      code: 'wrong-dimension',
      line: 34,
      says: 'length',
    },
  ])('$what: one message of its own, at its place', ({ from, to, code, line, says, hint }) => {
    const problems = mistakesOf(edit(SHEET, from, to)).filter((p) => p.code !== 'missing' || code === 'missing')
    expect(problems.map((p) => [p.code, p.place.line])[0]).toEqual([code, line])
    expect(problems[0]!.found).toContain(says)
    if (hint !== undefined) expect(problems[0]!.expected).toContain(hint)
    expect(problems.length).toBeLessThanOrEqual(2)
  })
  it('400 parts, and a machine that makes a million events, end in a message that says where', () => {
    const many = Array.from({ length: 400 }, (_, k) => `  wire${k}: { kind: wire }\n`).join('')
    expect(
      mistakesOf(edit(SHEET, 'wiring:\n', `${many}wiring:\n`)).map((p) => [p.code, p.place.line, p.found]),
    ).toEqual([['limit-reached', 6, '410 parts']])
    const restless = edit(
      edit(SHEET, 'when: after 4 min, to: done, alarm: E1', 'when: after 1 ms, to: other'),
      '  done: { title',
      '  other: { title: Other, exits: [{ when: after 1 ms, to: fill }] }\n  done: { title',
    )
    const [first] = mistakesOf(restless)
    expect([first!.code, first!.place.path[0]]).toEqual(['limit-reached', 'phases'])
  })
})

describe('what a tech sheet says of a part in its own figures', () => {
  const part = (text: string, id: string) => {
    const read = readSheet(text, 'small.yaml', findShipped)
    if (!read.ok) throw new Error(JSON.stringify(read.problems))
    return read.value.parts.find((p) => p.id === id)!.params
  }
  it('volts and apparent power make ohms, henries and thresholds that belong to each other, marked as assumed', () => {
    const { ohms, 'henries-in': inside, 'henries-out': out, 'pull-in': pulls } = part(SHEET, 'valve')
    const impedance = Math.hypot(ohms!.value, 2 * Math.PI * 50 * inside!.value)
    expect(230 ** 2 / impedance).toBeCloseTo(8, 1)
    expect([ohms, inside, out, pulls].map((q) => q!.origin)).toEqual(Array(4).fill('assumed'))
    expect(out!.value).toBeLessThan(inside!.value / 2)
    // What the sheet says itself stays, and the rest goes by it.
    const known = part(edit(SHEET, 'rated-power: 8 VA', 'rated-power: 8 VA, ohms: 5 kΩ'), 'valve')
    expect([known.ohms!.value, known.ohms!.origin]).toEqual([5000, 'sheet'])
    expect(Math.hypot(5000, 2 * Math.PI * 50 * known['henries-in']!.value)).toBeCloseTo(impedance, -2)
  })
  it('watts make the ohms of a heater, litres and height the area of a tank', () => {
    expect(part(SHEET, 'heater').ohms!.value).toBeCloseTo(230 ** 2 / 2000, 0)
    expect(part(SHEET, 'tank').area!.value).toBeCloseTo(0.006 / 0.2, 4)
    expect(part(edit(SHEET, 'rated-power: 2 kW', 'rated-power: 4 kW'), 'heater').ohms!.value).toBeCloseTo(
      230 ** 2 / 4000,
      0,
    )
  })
})
