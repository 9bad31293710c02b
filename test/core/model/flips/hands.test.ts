import { describe, expect, it } from 'vitest'
import { createEngine } from '../../../../core/advice'
import { DrawnMachine, random } from '../../../../core/truth'
import { left, sheet } from '../../support/left-alone'
import { edit, sheetOf } from '../../support/sheets'

/** A tank that is filled until a probe is wet, and heated where a float permits it. */
const TANK = sheet(
  `  board: { kind: board, wakes: 165 V, ohms: 5 kΩ }
  fill: { kind: solenoid-valve, ohms: 2.5 kΩ, henries-out: 5 H, henries-in: 12 H, pull-in: 150 V, drop-out: 60 V, rated: 6 L/min }
  fill-out: { kind: output }
  high: { kind: probe, of: tank, at: 150 mm, water: main }
  high-in: { kind: sense-input, ohms: 22 kΩ }
  low: { kind: float-switch, of: tank, trip: 80 mm, return: 70 mm }
  element: { kind: heater, in: tank, ohms: 30 Ω }
  element-earth: { kind: insulation, ohms: 100 MΩ }`,
  `wiring:
  live: [mains.L, board.L]
  neutral: [mains.N, board.N]
  fill: [board.L, fill-out, fill, board.N]
  heat: [mains.L, low, element, mains.N]
  earth: [element.a, element-earth, mains.E]
  probe: [high-in.in, high.tip/shell, high-in.com]
  ground: [board.N, high-in.com]
water:
  fill: [main.out, fill, tank.top]
control: { powered: board.powered }
phases:
  fill: { title: Fill, on: [fill-out], exits: [{ when: high-in.closed, to: idle }] }
  idle: { title: Full, exits: [{ when: not high-in.closed, to: fill }] }
complaints:
  over: { says: It runs over, when: ever tank.over }
faults:
  high.scaled: { repair: clean }
repairs:
  clean: { title: clean the probe, minutes: 20 min }
tests:
  probe-off: { title: Lift the lead of the high probe, lifts: high, sense: fill.passes, by: ear, moment: full, minutes: 2 min }
  float-up: { title: Hold the float up, holds: { low: up }, sense: element.heats, by: hand, moment: early, minutes: 2 min }
moments:
  full: { title: ten minutes in, program: run, after: 10 min }
  early: { title: five seconds in, program: run, after: 5 s }
`,
).replace('title: Run,', 'title: Run, begins: fill,')

/** What the plain second simulator shows at a special test of the tank. */
function shown(test: string, text = TANK): string {
  const { catalogue } = createEngine(sheetOf(text))
  const procedure = catalogue.procedures.find((p) => p.id === test)!
  return new DrawnMachine(catalogue, [], random(1), 'none', 0).exact(procedure).type
}

describe('what a machine is run with for one test', () => {
  it('a probe whose lead is lifted calls for water again; left on, the tank is full and it is silent', () => {
    expect(shown('probe-off')).toBe('yes')
    expect(shown('probe-off', edit(TANK, 'lifts: high, ', ''))).toBe('no')
  })
  it('a float that is held up permits heat in a tank that is not full yet; let hang, it does not', () => {
    expect(shown('float-up')).toBe('yes')
    expect(shown('float-up', edit(TANK, 'holds: { low: up }, ', ''))).toBe('no')
  })
  it('is done dead, read live with the hands away, told in words, expected by the advice and undone before the next test', () => {
    const engine = createEngine(sheetOf(TANK))
    const advice = engine.advise([], 'best', 0)
    for (const [test, step] of [
      ['probe-off', 'Mark a lead of the high, lift it off while it is dead'],
      ['float-up', 'Fix the low while it is dead: up'],
    ] as const) {
      const card = engine.card(advice, test, undefined, 0)!
      expect(card.workMode).toBe('energised')
      expect(card.acts).toEqual(expect.arrayContaining(['power', 'live', test === 'probe-off' ? 'terminals' : 'reach']))
      expect(card.steps.join('\n')).toContain(step)
      expect(card.steps.indexOf(card.steps.find((s) => s.startsWith(step))!)).toBeLessThan(
        card.steps.findIndex((s) => s.includes('power up')),
      )
    }
    expect(engine.card(advice, 'probe-off', undefined, 0)!.lifts).toBe('high')
    const { procedures } = engine.catalogue
    const runs = (h: typeof engine.predictor.healthy) => {
      const told = engine.predictor.predict(
        h,
        procedures.find((p) => p.id === 'probe-off')!,
      )
      return told.type === 'sense' && told.truth
    }
    expect(runs(engine.predictor.healthy)).toBe(true)
    const after = engine.advise(
      [{ type: 'reading', test: 'probe-off', value: { type: 'yes' }, instrument: undefined }],
      'best',
      0,
    )
    const next = engine.card(after, 'fill.ohms', undefined, 0)!
    expect(next.steps[0]).toContain('Isolate')
    const off = engine.advise(
      [
        { type: 'reading', test: 'probe-off', value: { type: 'yes' }, instrument: undefined },
        { type: 'action', action: { verb: 'isolate' } },
      ],
      'best',
      0,
    )
    // Off is off: the lead is back with it, and a dead test needs no more isolating.
    expect(engine.card(off, 'fill.ohms', undefined, 0)!.steps.join()).not.toContain('Isolate')
    expect(engine.card(off, 'fill.ohms', undefined, 0)!.minutes).toBeLessThan(30)
    const live = procedures.find(
      (p) => p.needs.power === 'on' && p.needs.arrival && !p.needs.loosened.length && p.id !== 'probe-off',
    )!
    expect(engine.card(after, live.id, undefined, 0)!.steps[0]).toContain('Isolate')
  })
  it('a jumper across an output feeds its load uncalled', () => {
    const fed = edit(TANK, 'lifts: high, ', 'jumper: fill-out, ')
    expect(shown('probe-off', fed)).toBe('yes')
  })
  it('a lead that is off changes what is expected until it is back', () => {
    const engine = createEngine(sheetOf(TANK))
    const expected = (verb?: 'lift' | 'land') =>
      engine.advise(
        [
          { type: 'action', action: { verb: 'lift', target: 'high' } },
          ...(verb === 'land' ? [{ type: 'action' as const, action: { verb, target: 'high' } }] : []),
        ],
        'best',
        0,
      ).interpreted.interventions.length
    expect([expected(), expected('land')]).toEqual([1, 0])
  })
})

describe('water that conducts, and a current to earth', () => {
  it('a probe feels what is dissolved in its own vessel: pure water fills on', () => {
    const salty = edit(
      TANK,
      'water: main }\n  high-in',
      'water: salt }\n  salt: { kind: salts, of: tank, water: main }\n  high-in',
    )
    expect(left(salty, 900)('tank.level')).toBeLessThan(0.16)
    expect(left(edit(salty, 'temperature: 12 °C }', 'temperature: 12 °C, conducts: 2 µS/cm }'), 900)('tank.over')).toBe(
      1,
    )
  })
  it('an element that leaks to earth trips its supply above the limit, and runs on below it', () => {
    const leaks = (ohms: string) => left(edit(TANK, 'ohms: 100 MΩ', `ohms: ${ohms}`), 600)
    expect(leaks('4 kΩ')('mains.tripped')).toBe(1)
    expect(leaks('40 kΩ')('mains.tripped')).toBe(0)
    expect(
      left(
        edit(edit(TANK, 'ohms: 100 MΩ', 'ohms: 4 kΩ'), 'ohms: 0.001 Ω }', 'ohms: 0.001 Ω, trips-at: 100 mA }'),
        600,
      )('mains.tripped'),
    ).toBe(0)
  })
})
