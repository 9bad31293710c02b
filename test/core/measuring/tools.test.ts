import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  BEAD_TABLE,
  betaOhms,
  convert,
  findTool,
  readField,
  runTool,
  switchRecord,
  TOOLS,
  toolsFor,
  WIRE_SIZES,
  type SwitchTurn,
  type Tool,
} from '../../../core/measuring'
import { formatIn } from '../../../core/foundation/quantity'
import { describeFieldProblem, describeFormula, describeOutcome, toolWords } from '../../../core/words'

/** A tool with what is typed into it, as a page reads it. */
function typed(id: string, texts: Record<string, string>, choices: Record<string, string> = {}) {
  const tool = findTool(id)!
  const values: Record<string, number | undefined> = {}
  for (const [field, text] of Object.entries(texts)) {
    const read = readField(
      tool.fields.find((f) => f.id === field)!,
      text,
      'metric',
    )
    values[field] =
      read.ok && read.value.type === 'value' ? read.value.si : read.ok && read.value.type === 'open' ? Infinity : NaN
  }
  const defaults = Object.fromEntries((tool.choices ?? []).map((c) => [c.id, c.options[0]!]))
  return runTool(tool, { values, choices: { ...defaults, ...choices } })
}
const out = (r: ReturnType<typeof typed>, id: string) => r.outcomes.find((o) => o.id === id)!.value

describe('numbers against sources of their own', () => {
  it('heater: 2 kW at 230 V is 26.45 Ω; 7 % fewer volts, 7 % less current and 13.5 % less power', () => {
    const r = typed('heater', { rated: '230', watts: '2 kW', volts: '213.9', amps: '8.09' })
    expect(out(r, 'nominal')).toBeCloseTo(26.45, 10)
    expect(out(r, 'current') / (230 / 26.45)).toBeCloseTo(0.93, 10)
    expect(out(r, 'power') / 2000).toBeCloseTo(0.8649, 10)
    expect(r.means).toEqual(['as-it-should'])
  })
  it('copper: tables give 1.1965 times its 20 °C ohms at 70 °C; a coil a tenth up is 25 K warmer', () => {
    const r = typed('coil', { ohms: '1196.5', at: '70', hot: '1316' })
    expect(out(r, 'cold')).toBeCloseTo(1000, 1)
    // Rise by resistance: ΔT = (R2 − R1)/R1 · (234.5 + T1), with 234.5 for copper by IEC 60034-1.
    expect(out(r, 'celsius')).toBeCloseTo(70 + ((1316 - 1196.5) / 1196.5) * (234.5 + 70), 0)
  })
  it('gauges: the diameters and ohms for each kilometre that wire tables print', () => {
    for (const [gauge, millimetres, ohmsPerKm] of [
      [10, 2.588, 3.277],
      [14, 1.628, 8.286],
      [18, 1.024, 20.95],
      [22, 0.644, 52.96],
    ] as const) {
      const r = typed('wire', { size: `${gauge}`, length: '500 m' }, { gauge: 'AWG' })
      expect(Math.sqrt((4 * out(r, 'area')) / Math.PI) * 1e3).toBeCloseTo(millimetres, 3)
      expect(out(r, 'loop') / ohmsPerKm).toBeCloseTo(1, 2)
    }
  })
  it('wire: volts left, the longest run and the distance to a short agree with each other', () => {
    const r = typed('wire', { size: '1.5', length: '60', volts: '24', amps: '0.4', least: '20', short: '1 Ω' })
    expect(out(r, 'left')).toBeCloseTo(24 - 0.4 * ((120 * 0.017241) / 1.5), 6)
    expect(out(r, 'longest')).toBeCloseTo(((24 - 20) / 0.4 / 2 / 0.017241) * 1.5, 3)
    expect(out(r, 'far')).toBeCloseTo((1 / 2 / 0.017241) * 1.5, 3)
  })
  it('misses: the bounds of the rule of the trade, and of a table of exact limits', () => {
    for (const [n, bound] of [
      [10, 1 - 0.05 ** (1 / 10)],
      [30, 1 - 0.05 ** (1 / 30)],
    ] as const)
      expect(out(typed('count', { times: `${n}`, misses: '0' }), 'bound')).toBeCloseTo(bound, 9)
    // One-sided 95 % of 1 in 10, 2 in 10, 1 in 30: printed in tables of binomial limits.
    expect(out(typed('count', { times: '10', misses: '1' }), 'bound')).toBeCloseTo(0.3942, 4)
    expect(out(typed('count', { times: '10', misses: '2' }), 'bound')).toBeCloseTo(0.5069, 4)
    expect(out(typed('count', { times: '30', misses: '1' }), 'bound')).toBeCloseTo(0.1486, 3)
  })
  it('thermistor: both ways and back; a curve through three points goes through them', () => {
    const r = typed('thermistor', { ohms25: '10k', beta: '3950', ohms: '3k588', celsius: '50' })
    expect(out(r, 'expected')).toBeCloseTo(10e3 * Math.exp(3950 * (1 / 323.15 - 1 / 298.15)), 6)
    expect(out(r, 'felt')).toBeCloseTo(50, 0)
    expect(r.means).toEqual(['agrees'])
    // A published curve: A 1.129148e-3, B 2.34125e-4, C 8.76741e-8 gives 32,650 / 10,000 / 3,601 Ω at 0 / 25 / 50 °C.
    const curve = typed('bead-curve', {
      ohms1: '32650',
      celsius1: '0',
      ohms2: '10000',
      celsius2: '25',
      ohms3: '3601',
      celsius3: '50',
    })
    expect(out(curve, 'ohms25')).toBeCloseTo(10000, 0)
    const at = (celsius: number) => {
      const line = curve.chart!.line
      const k = line.findIndex(([c]) => c >= celsius)
      const [[c0, r0], [c1, r1]] = [line[k - 1]!, line[k]!]
      return r0 + ((r1 - r0) * (celsius - c0)) / (c1 - c0)
    }
    expect(at(37.5) / 5854).toBeCloseTo(1, 1)
  })
  it('bucket: flow, what is left at the pressure needed, by the square law of turbulent loss', () => {
    const r = typed('bucket', {
      litres: '6',
      seconds: '30',
      still: '3 bar',
      flowing: '2 bar',
      needed: '0.5 bar',
      fill: '20',
    })
    expect(out(r, 'flow') * 6e4).toBeCloseTo(12, 9)
    expect(out(r, 'left') * 6e4).toBeCloseTo(12 * Math.sqrt(2.5), 6)
    expect(out(r, 'fills')).toBeCloseTo(100, 9)
  })
  it('timed output: flow and dead time of a valve that opens late', () => {
    const r = typed('timed-output', {
      set1: '30',
      on1: '30',
      out1: '280 mL',
      set2: '60',
      on2: '60',
      out2: '580 mL',
      set3: '90',
      on3: '90',
      out3: '880 mL',
      wanted: '0.6 L/min',
    })
    expect(out(r, 'flow') * 6e4).toBeCloseTo(0.6, 9)
    expect(out(r, 'dead')).toBeCloseTo(2, 9)
    expect(r.means).toEqual(['timer-right', 'water-right'])
  })
  it('ghost volts: what an ideal source behind a cable shows on two inputs', () => {
    // 120 V behind 1 MΩ: 10 MΩ shows 109.1 V, 3 kΩ shows 0.359 V.
    const r = typed('joint', { unloaded: `${(120 * 10) / 11}`, low: `${(120 * 3e3) / (1e6 + 3e3)}` })
    expect(out(r, 'behind') / 1e6).toBeCloseTo(1, 6)
    expect(r.means).toEqual(['ghost'])
  })
  it('units: by their definitions', () => {
    const in_ = (text: string, symbol: string) => {
      const r = convert(text)
      return r.ok ? r.value.rows.find((row) => row.symbol === symbol)!.number : NaN
    }
    expect(in_('38 psi', 'bar')).toBeCloseTo(2.62, 3)
    expect(in_('68F', '°C')).toBeCloseTo(20, 9)
    expect(in_('1 gal', 'L')).toBeCloseTo(3.785411784, 9)
    expect(in_('AWG 18', 'mm²')).toBeCloseTo(0.823, 3)
    expect(in_('0.75 mm²', 'AWG')).toBe(18)
    for (const bad of ['38', 'psi', '12 parsec', '', '∞ bar', 'NaN V']) expect(convert(bad).ok, bad).toBe(false)
  })
})

describe('what cannot be', () => {
  it.each([
    ['heater', { rated: '0', watts: '2 kW' }, 'rated'],
    ['heater', { rated: '230', watts: '2 kW', ohms: 'OL' }, 'ohms'],
    ['bucket', { litres: '6', seconds: '30', still: '2 bar', flowing: '3 bar' }, 'flowing'],
    ['bucket', { litres: '0', seconds: '30' }, 'litres'],
    ['coil', { ohms: '1200', at: '-300' }, 'at'],
    [
      'bead-curve',
      { ohms1: '10k', celsius1: '25', ohms2: '10k', celsius2: '25', ohms3: '3k6', celsius3: '50' },
      'celsius2',
    ],
    ['count', { times: '10', misses: '11' }, 'misses'],
    ['transformer', { unloaded: '24', loaded: '27', amps: '1' }, 'loaded'],
    [
      'timed-output',
      { set1: '30', on1: '30', out1: '0', set2: '60', on2: '60', out2: '0', set3: '90', on3: '90', out3: '0' },
      'out3',
    ],
    ['level', { low: '0', lowShows: '40', high: '2', highShows: '30' }, 'high'],
  ])('%s %j is said at %s, and nothing comes out', (id, texts, field) => {
    const r = typed(id, texts as Record<string, string>)
    expect(r.problems.map((p) => p.field)).toEqual([field])
    expect(r.outcomes).toEqual([])
    expect(describeFieldProblem(r.problems[0]!)).toMatch(/^[A-Z].*\.$/)
  })
  it('no tool ever gives a number that is none, or a word that it lacks, whatever is entered', () => {
    const number = fc.oneof(
      fc.constant(undefined),
      fc.constantFrom(0, 1, -1, 1e-9, 1e9),
      fc.double({ min: -1e4, max: 1e6, noNaN: true }),
    )
    for (const tool of TOOLS as readonly Tool[]) {
      const words = toolWords(tool.id)
      for (const f of [...tool.fields, ...(tool.choices ?? [])])
        expect(words.labels[f.id], `${tool.id} ${f.id}`).toBeTruthy()
      fc.assert(
        fc.property(fc.array(number, { minLength: tool.fields.length, maxLength: tool.fields.length }), (drawn) => {
          const values = Object.fromEntries(tool.fields.map((f, k) => [f.id, drawn[k]]))
          const choices = Object.fromEntries((tool.choices ?? []).map((c) => [c.id, c.options[0]!]))
          const r = runTool(tool, { values, choices })
          for (const o of r.outcomes) {
            expect(Number.isFinite(o.value)).toBe(true)
            expect(Number.isFinite(o.halfWidth)).toBe(true)
            expect(words.labels[o.id], `${tool.id} ${o.id}`).toBeTruthy()
            const said = `${describeOutcome(o, 'us')} ${describeFormula(tool, o, r, values, 'us')}`
            expect(said).not.toMatch(/NaN|Infinity|undefined|\{/)
          }
          for (const m of r.means) expect(words.means[m], `${tool.id} ${m}`).toBeTruthy()
          for (const p of r.problems)
            expect(
              tool.fields.some((f) => f.id === p.field),
              `${tool.id} ${p.field}`,
            ).toBe(true)
        }),
        { seed: 11, numRuns: 300 },
      )
    }
  })
  it('the ± follows the instruments: by hand for a heater, wider with a coarser one', () => {
    const r = typed('heater', { rated: '230', watts: '2000', volts: '220', amps: '8' })
    // P within 5 %: R within 5 %.
    expect(r.outcomes.find((o) => o.id === 'nominal')!.halfWidth).toBeCloseTo(0.05 * 26.45, 2)
    expect(
      describeOutcome(
        r.outcomes.find((o) => o.id === 'current')!,
        'metric',
      ),
    ).toBe('8.32 A ±0.42 A')
    const power = r.outcomes.find((o) => o.id === 'power')!
    expect(power.halfWidth / power.value).toBeCloseTo(Math.hypot(0.05, 2 * 0.01), 3)
  })
})

describe('units by choice', () => {
  it('a bare number is taken in the units that are read in, a written one in its own', () => {
    const still = findTool('bucket')!.fields.find((f) => f.id === 'still')!
    const read = (text: string, system: 'metric' | 'us') => {
      const r = readField(still, text, system)
      return r.ok && r.value.type === 'value' ? r.value.si : NaN
    }
    expect(read('38', 'us')).toBeCloseTo(38 * 6894.757, 0)
    expect(read('2.6', 'metric')).toBeCloseTo(2.6e5, 3)
    expect(read('2,6 bar', 'us')).toBeCloseTo(2.6e5, 3)
    expect(formatIn(2.62e5, 'pressure', 'us')).toBe('38 psi')
    expect(formatIn(293.15 - 273.15, 'temperature', 'us')).toBe('68 °F')
    expect(formatIn(0.0005, 'volume', 'metric')).toBe('500 mL')
  })
})

describe('switches by what they did', () => {
  it('trip and return: the difference, and whether each lies where its sheet has it', () => {
    const r = typed('trip', { tripped: '162', returned: '141', ratedTrip: '160', ratedReturn: '150', within: '5' })
    expect(out(r, 'difference')).toBeCloseTo(0.021, 9)
    expect(out(r, 'offReturn')).toBeCloseTo(-0.009, 9)
    expect(r.means).toEqual(['has-difference', 'returned-low'])
    expect(typed('trip', { tripped: '100', returned: '120' }).problems).toEqual([
      { field: 'returned', code: 'swapped' },
    ])
    expect(typed('trip', { tripped: '100', returned: '120' }, { worked: 'as it falls' }).means).toEqual([
      'has-difference',
    ])
    expect(typed('trip', { tripped: '100', returned: '100' }).means).toEqual(['no-difference'])
  })
  it('what it did when: means and how far it strays; a turn that nobody noticed leaves no length', () => {
    const turn = (at: number, turned: SwitchTurn['turned'], value?: number): SwitchTurn => ({ at, turned, value })
    const r = switchRecord([
      turn(0, 'closed', 88),
      turn(60, 'opened', 95),
      turn(200, 'closed', 90),
      turn(250, 'opened', 97),
    ])
    expect(r).toMatchObject({
      opensAt: 96,
      closesAt: 89,
      difference: 7,
      opensWithin: [95, 97],
      closedFor: 55,
      openFor: 140,
    })
    const missed = switchRecord([turn(0, 'closed'), turn(60, 'opened'), turn(500, 'opened')])
    expect(missed).toMatchObject({
      opened: 2,
      closedFor: 60,
      openFor: undefined,
      opensAt: undefined,
      difference: undefined,
    })
  })
  it('any order of entry comes to the same, and nothing comes to nothing', () => {
    const some = fc.array(
      fc.record({
        at: fc.integer({ min: 0, max: 9999 }),
        turned: fc.constantFrom('opened' as const, 'closed' as const),
        value: fc.option(fc.integer({ min: 0, max: 200 }), { nil: undefined }),
      }),
      { maxLength: 12 },
    )
    fc.assert(
      fc.property(some, (turns) => {
        const unique = [...new Map(turns.map((t) => [t.at, t])).values()]
        expect(switchRecord(unique.toReversed())).toEqual(switchRecord(unique))
      }),
    )
    expect(Object.values(switchRecord([])).every((x) => x === 0 || x === undefined)).toBe(true)
  })
})

describe('tables and the person’s own meter', () => {
  it('wires: ohms for a kilometre as printed tables have them', () => {
    for (const [name, ohmsPerKm] of [
      ['18 AWG', 20.95],
      ['14 AWG', 8.286],
      ['1.5 mm²', 11.5],
    ] as const)
      expect((WIRE_SIZES.find((w) => w.name === name)!.ohmsPerMetre * 1000) / ohmsPerKm).toBeCloseTo(1, 2)
    const areas = WIRE_SIZES.map((w) => w.area)
    expect(areas).toEqual(areas.toSorted((a, b) => a - b))
  })
  it('bead: 10 kΩ at 25 °C, and 33.6 kΩ at 0 °C with a beta of 3950 K, as such beads are printed', () => {
    expect(betaOhms(25, BEAD_TABLE.ohms25, 3950)).toBeCloseTo(10e3, 6)
    expect(betaOhms(0, BEAD_TABLE.ohms25, 3950) / 33.6e3).toBeCloseTo(1, 2)
  })
  it('a meter whose papers say 0.5 % makes the result as much surer as its limit of error says', () => {
    const tool = findTool('heater')!
    const entered = { values: { rated: 230, watts: 2000, volts: 230, amps: 8.7 }, choices: {} }
    const power = (kit: Parameters<typeof runTool>[2]) =>
      runTool(tool, entered, kit).outcomes.find((o) => o.id === 'power')!
    const own = power({ volts: 0.005 })
    // Power goes with the square of the volts, by the nominal ohms; a limit of error is 2/√3 of itself as two standard deviations.
    const ohms = power({}).halfWidth ** 2 - (2 * 0.01 * power({}).value) ** 2
    expect(own.halfWidth ** 2 - (2 * 0.005 * (2 / Math.sqrt(3)) * own.value) ** 2).toBeCloseTo(ohms, 3)
  })
  it('each tool that is offered beside a reading is one', () => {
    const shapes = [
      'resistance',
      'voltage',
      'current',
      'flow',
      'pressure',
      'temperature',
      'length',
      'time',
      'volume',
      'frequency',
      'conductivity',
    ] as const
    for (const dimension of shapes)
      for (const id of toolsFor({ type: 'number', dimension })) expect(findTool(id)?.id).toBe(id)
    expect(toolsFor({ type: 'times' })[0]).toBe('count')
    expect(toolsFor({ type: 'yes-no' })).toEqual([])
  })
})
