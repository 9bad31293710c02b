import { describe, expect, it } from 'vitest'
import { makeFaultedMachine } from '../../../core/model/machine'
import { simulate, type Script } from '../../../core/simulation/simulate'
import { findShipped } from '../../../cli/library'
import { createEngine } from '../../../core/advice'
import { readSheet } from '../../../core/model/sheet'
import { DrawnMachine, random, runPlain } from '../../../core/truth'
import { activeFaultsIn, edit, machineOf, mini, sheetOf } from '../support/sheets'

/** What a machine does that is left alone for a while; both simulators have to agree on what is asked of it. */
function left(text: string, seconds: number, fault?: string) {
  const machine = machineOf(text)
  const faulted = makeFaultedMachine(machine, fault ? [activeFaultsIn(machine, fault)] : [])
  const script: Script = {
    steps: [{ at: 0, start: 0 }],
    until: seconds + 1,
    stopsWhenFinal: false,
    moments: [{ type: 'time', at: seconds }],
  }
  const point = simulate(faulted, script).snapshots[0]!
  const plain = runPlain(faulted, script).snapshots[0]!.point
  const read = (of: { signal(part: number, name: string): number }, name: string) => {
    const [part, signal] = name.split('.') as [string, string]
    return of.signal(machine.partIndex.get(part)!, signal)
  }
  return (name: string): number => {
    const [own, other] = [read(point, name), read(plain, name)]
    expect(Math.abs(own - other), `${name}: ${own} and ${other}`).toBeLessThanOrEqual(1e-9 + 0.02 * Math.abs(own))
    return own
  }
}

const sheet = (parts: string, more: string) => `sheet: 1
id: flip
title: A small machine
frequency: 50 Hz
ambient: 20 °C
parts:
  mains: { kind: ac-supply, volts: 230 V, ohms: 0.001 Ω }
  main: { kind: water-supply, pressure: 2 bar, temperature: 12 °C }
  tank: { kind: vessel, area: 100 cm², height: 400 mm }
${parts}
${more}
programs:
  run: { title: Run, lasts: 60 min }
`
const millimetres = (metres: number) => metres * 1000

describe('valves that nobody calls for', () => {
  const FLOAT = sheet(
    '  valve: { kind: float-valve, of: tank, shuts-at: 150 mm, over: 20 mm }',
    'water:\n  fill: [main.out, valve, tank.top]\nfaults:\n  valve.leaks: { repair: new }\n  valve.jammed-shut: { repair: new }\n  valve.set-high: { repair: new }\nrepairs:\n  new: { title: new valve, minutes: 5 min }\ncomplaints:\n  high: { says: It runs over, when: ever tank.spilled > 0.1 L }',
  )
  it('a float valve fills to its level and shuts by itself; set elsewhere it shuts there', () => {
    for (const at of [150, 220]) {
      const level = millimetres(left(edit(FLOAT, 'shuts-at: 150 mm', `shuts-at: ${at} mm`), 900)('tank.level'))
      expect(level).toBeGreaterThan(at - 1)
      expect(level).toBeLessThanOrEqual(at + 0.5)
    }
  })
  it('jammed shut it lets nothing in, with a worn seat it fills to the brim, with its float sunk it shuts higher', () => {
    expect(left(FLOAT, 900, 'valve.jammed-shut')('tank.volume')).toBeCloseTo(0, 6)
    expect(left(FLOAT, 1200, 'valve.leaks')('tank.spilled')).toBeGreaterThan(1e-4)
    expect(millimetres(left(FLOAT, 900, 'valve.set-high')('tank.level'))).toBeGreaterThan(175)
  })
  const BULB = sheet(
    '  valve: { kind: bulb-valve, of: tank, shuts-at: 10 °C, opens-at: 30 °C }',
    'water:\n  cool: [main.out, valve, tank.top]\nfaults:\n  valve.charge-lost: { repair: new }\nrepairs:\n  new: { title: new valve, minutes: 5 min }\ncomplaints:\n  dry: { says: No water, when: never valve.passes }',
  )
  it('a bulb valve opens with what its bulb feels', () => {
    // An empty vessel at 20 °C: half way open.
    expect(left(BULB, 2)('valve.flow')).toBeGreaterThan(0)
    // Its charge lost, it feels nothing and stays shut.
    expect(left(BULB, 2, 'valve.charge-lost')('valve.flow')).toBe(0)
    expect(
      left(edit(BULB, 'shuts-at: 10 °C, opens-at: 30 °C', 'shuts-at: 25 °C, opens-at: 45 °C'), 2)('valve.flow'),
    ).toBe(0)
  })
})

describe('switches that a signal works', () => {
  const PIPE = sheet(
    '  pipe: { kind: hose, is: pipe, passes: 10 L/min }\n  stop: { kind: stop }\n  flow: { kind: flow-switch, of: pipe, trip: 3 L/min, return: 2 L/min }\n  line: { kind: pressure-control, of: pipe, trip: 0.2 bar, return: 0.1 bar, on-rise: opens }',
    'water:\n  through: [main.out, pipe, stop, tank.top]',
  )
  it('by flow and by the pressure of a line', () => {
    const read = left(PIPE, 10)
    expect(read('flow.closed')).toBe(1)
    expect(read('line.closed')).toBe(read('pipe.pressure') > 0.2e5 ? 0 : 1)
    expect(left(edit(PIPE, 'trip: 3 L/min, return: 2', 'trip: 30 L/min, return: 20'), 10)('flow.closed')).toBe(0)
    expect(left(edit(PIPE, 'trip: 0.2 bar', 'trip: 1.9 bar'), 10)('line.closed')).toBe(1)
  })
  const MOTOR = sheet(
    '  valve: { kind: motor-valve, ohms: 3 kΩ, starts: 150 V, travels: 10 s }\n  end: { kind: end-switch, of: valve, trip: 95 %, return: 90 %, on-rise: opens }',
    'wiring:\n  feed: [mains.L, end, valve.open]\n  back: [mains.N, valve.com]\nwater:\n  through: [main.out, valve, tank.top]\nfaults:\n  valve.gear-stripped: { repair: new }\n  valve.half-seated: { repair: new }\nrepairs:\n  new: { title: new valve, minutes: 5 min }\ncomplaints:\n  none: { says: No water, when: never valve.passes }',
  )
  it('by the end of a travel: the switch stops the motor where it stands', () => {
    expect(left(MOTOR, 5)('valve.travel')).toBeCloseTo(0.5, 3)
    const open = left(MOTOR, 30)
    expect(open('valve.travel')).toBeCloseTo(0.95, 3)
    expect(open('valve.turns')).toBe(0)
    expect(left(edit(MOTOR, 'trip: 95 %, return: 90 %', 'trip: 40 %, return: 30 %'), 30)('valve.travel')).toBeCloseTo(
      0.4,
      3,
    )
    expect(left(MOTOR, 30, 'valve.gear-stripped')('valve.travel')).toBe(0)
  })
  it('a motor valve driven shut stands shut; with something on its seat it still lets water through', () => {
    const shuts = edit(
      edit(MOTOR, 'end, valve.open]', 'valve.open]\n  other: [mains.L, flip.1]\n  shut: [flip.2, valve.close]'),
      '  end: { kind: end-switch, of: valve, trip: 95 %, return: 90 %, on-rise: opens }',
      '  flip: { kind: switch, held: open }',
    )
    // Told both ways at once it stays where it is.
    expect(left(edit(shuts, 'title: Run,', 'title: Run, sets: { flip: closed },'), 5)('valve.travel')).toBe(0)
  })
})

describe('buttons, latches and timers', () => {
  const BUTTON = sheet(
    '  start: { kind: button, held: 2 s }\n  relay: { kind: relay, ohms: 5 kΩ, pull-in: 150 V, drop-out: 60 V }\n  lamp: { kind: lamp, lights: 100 V }',
    'wiring:\n  press: [mains.L, start, relay.a]\n  hold: [mains.L, relay.com/no, relay.a]\n  back: [mains.N, relay.b]\n  lamp: [relay.no, lamp, mains.N]',
  ).replace('title: Run,', 'title: Run, sets: { start: yes },')
  it('a button springs back; what holds itself stays, what does not falls off', () => {
    expect(left(BUTTON, 1)('start.closed')).toBe(1)
    expect(left(BUTTON, 5)('start.closed')).toBe(0)
    expect(left(BUTTON, 5)('relay.pulled')).toBe(1)
    expect(
      left(
        edit(BUTTON, '  hold: [mains.L, relay.com/no, relay.a]\n', '  hold: [mains.L, relay.com]\n'),
        5,
      )('relay.pulled'),
    ).toBe(0)
  })
  const LATCH = sheet(
    '  start: { kind: button, held: 1 s }\n  latch: { kind: latching-relay, ohms: 3 kΩ, pull-in: 150 V }',
    'wiring:\n  press: [mains.L, start, latch.set]\n  back: [mains.N, latch.back]',
  ).replace('title: Run,', 'title: Run, sets: { start: yes },')
  it('a latching relay stays as it was last told', () => {
    expect(left(LATCH, 20)('latch.set')).toBe(1)
    expect(left(edit(LATCH, 'start, latch.set]', 'start, latch.reset]'), 20)('latch.set')).toBe(0)
  })
  const TIMER = sheet(
    '  start: { kind: button, held: 4 s }\n  timer: { kind: timer-relay, starts: 150 V, delay: 10 s, delays: interval }',
    'wiring:\n  press: [mains.L, start, timer.a]\n  back: [mains.N, timer.b]',
  ).replace('title: Run,', 'title: Run, sets: { start: yes },')
  it.each([
    // Fed from 0 to 4 s, with ten seconds on its dial.
    { delays: 'interval', closed: [1, 1, 0, 0] },
    { delays: 'opening', closed: [1, 1, 1, 0] },
    { delays: 'closing', closed: [0, 0, 0, 0] },
  ])('a timer that delays its $delays', ({ delays, closed }) => {
    const own = edit(TIMER, 'delays: interval', `delays: ${delays}`)
    expect([1, 3.5, 8, 20].map((at) => left(own, at)('timer.through'))).toEqual(closed)
  })
  it('an interval timer that stays fed opens when its time is over', () => {
    const fed = edit(TIMER, 'held: 4 s', 'held: 100 s')
    expect([5, 9, 11, 50].map((at) => left(fed, at)('timer.through'))).toEqual([1, 1, 0, 0])
  })
})

describe('heights', () => {
  const OVERFLOW = sheet(
    '  fill: { kind: hose, passes: 3 L/min }\n  over: { kind: overflow-pipe, at: 200 mm }\n  waste: { kind: waste, ends: open, height: 0 mm }',
    'water:\n  fill: [main.out, fill, tank.top]\n  over: [tank.bottom, over, waste.in]',
  )
  it('a vessel with an overflow stands as far above its mouth as drives through it what comes in', () => {
    // Two bar through 35 and 3 L/min at 1 bar; from the mouth on, twice 60 L/min at 1 bar. What grows with the flow alone is 1.4 mm.
    const litres = Math.sqrt(2 / (1 / 35 ** 2 + 1 / 3 ** 2))
    const head = ((2 * (litres / 60) ** 2 * 1e5) / 9810) * 1000
    for (const at of [100, 180]) {
      const read = left(edit(OVERFLOW, 'at: 200 mm', `at: ${at} mm`), 1800)
      expect(Math.abs(millimetres(read('tank.level')) - at - head)).toBeLessThan(2)
      expect(read('over.runs')).toBe(1)
      expect(read('tank.spilled')).toBe(0)
    }
  })
  const TWO = sheet(
    '  other: { kind: vessel, area: 100 cm², height: 400 mm }\n  joint: { kind: hose, is: pipe, rises: 0 mm }',
    'water:\n  joint: [tank.bottom, joint, other.bottom]',
  ).replace('area: 100 cm², height: 400 mm }', 'area: 100 cm², height: 400 mm, start: 3 L }')
  it('two vessels that are joined stand equally high; one that stands higher holds less, and what is above flows back', () => {
    for (const rises of [0, 60]) {
      const read = left(edit(TWO, 'rises: 0 mm', `rises: ${rises} mm`), 1800)
      expect(millimetres(read('tank.level') - read('other.level'))).toBeCloseTo(rises, 0)
      expect(millimetres(read('tank.level') + read('other.level'))).toBeCloseTo(300, 3)
    }
  })
})

describe('an element under scale', () => {
  const HEAT = sheet(
    '  guard: { kind: cut-out, of: element, trips-at: 92 °C, reset: button }\n  stat: { kind: thermostat, of: tank, opens-at: 60 °C, closes-at: 55 °C }\n  element: { kind: sheathed-element, in: tank, ohms: 26.45 Ω, watts: 2000 W }',
    'wiring:\n  heat: [mains.L, guard, stat, element, mains.N]\nfaults:\n  element.scaled: { repair: clean }\nrepairs:\n  clean: { title: descale, minutes: 20 min }\ncomplaints:\n  cold: { says: It gets cold, when: ever guard.tripped }',
  ).replace('area: 100 cm², height: 400 mm }', 'area: 100 cm², height: 400 mm, start: 3 L }')
  it('gets hotter than its water by its load, and trips what guards it when scale makes that more', () => {
    const clean = left(HEAT, 200)
    // 230 V on 26.45 Ω is its rated power, twelve kelvin above the water; two contacts and the supply take their share.
    const load = (26.45 / (26.45 + 0.05 + 0.05 + 0.001)) ** 2
    expect(clean('element.temperature') - clean('tank.temperature')).toBeCloseTo(12 * load, 2)
    expect(left(HEAT, 1800)('guard.tripped')).toBe(0)
    expect(left(HEAT, 1800, 'element.scaled')('guard.tripped')).toBe(1)
    expect(left(edit(HEAT, 'trips-at: 92 °C', 'trips-at: 62 °C'), 1800)('guard.tripped')).toBe(1)
  })
})

describe('conditions that compare two signals', () => {
  const COMPARED = sheet(
    '  bowl: { kind: vessel, area: 50 cm², height: 400 mm, start: 0.5 L }\n  fill: { kind: hose, passes: 3 L/min }\n  run: { kind: output }\n  board: { kind: board }',
    'water:\n  fill: [main.out, fill, tank.top]\nwiring:\n  live: [mains.L, board.L]\n  back: [mains.N, board.N]\n  run: [board.L, run.com]',
  ).replace(
    'title: Run, lasts: 60 min }',
    'title: Run, begins: fill, lasts: 60 min }\nphases:\n  fill: { title: Fill, exits: [{ when: tank.level > bowl.level, to: higher }] }\n  higher: { title: Higher, on: [run], final: true }',
  )
  it('take the phase on when one passes the other', () => {
    const at = left(COMPARED, 600)
    expect(at('tank.level')).toBeGreaterThan(at('bowl.level'))
    expect(at('run.called')).toBe(1)
    expect(left(edit(COMPARED, 'start: 0.5 L', 'start: 1.9 L'), 20)('run.called')).toBe(0)
  })
})

describe('a figure read with an instrument at a moment', () => {
  const READ = `${mini('heater-tank')}moments:
  five: { title: five minutes after the start, program: warm, after: 5 min }
tests:
  warmth: { title: Hold the thermometer into the tank, reads: tank.temperature, by: thermometer, moment: five, minutes: 2 min }
`
  it('is what a thermometer shows there at that time; asked at another time it is another figure', () => {
    const [five, one] = [READ, edit(READ, 'program: warm, after: 5 min', 'program: warm, after: 100 s')].map((text) => {
      const engine = createEngine(sheetOf(text))
      const procedure = engine.catalogue.procedures.find((p) => p.id === 'warmth')!
      expect(engine.titleOf(procedure)).toBe('Hold the thermometer into the tank')
      expect(procedure).toMatchObject({ meter: 'thermometer', workMode: 'observe' })
      const shown = new DrawnMachine(engine.catalogue, [], random(3), undefined, 0).read(procedure)
      const expected = engine.predictor.predict(engine.predictor.healthy, procedure)
      if (shown.type !== 'value' || expected.type !== 'value') throw new Error('no figure')
      expect(Math.abs(shown.si - expected.mean)).toBeLessThan(6)
      return expected.mean
    })
    expect(five! - one!).toBeGreaterThan(5)
  })
  const SENSED = 'reads: tank.temperature, by: thermometer'
  it.each([
    ['sense: tank.temperature, by: eye', 'wrong-dimension', 'sense'],
    ['reads: tank.temperature, by: hand', 'out-of-range', 'by'],
    ['reads: tank.temperature, by: gauge', 'wrong-dimension', 'reads'],
    ['reads: tank.wet, by: rule', 'wrong-dimension', 'reads'],
    ['reads: tank.warmth, by: thermometer', 'unknown-signal', 'reads'],
    [`${SENSED}, watch: 2 min`, 'out-of-range', 'watch'],
    [`${SENSED}, sense: tank.wet`, 'missing', 'warmth'],
    ['by: eye', 'missing', 'warmth'],
  ])('%s is refused at its place', (written, code, at) => {
    const read = readSheet(edit(READ, SENSED, written), 'test.yaml', findShipped)
    expect(read.ok ? [] : read.problems.map((p) => [p.code, p.place.path.at(-1)])).toEqual([[code, at]])
  })
})

it('on a part that is marked as not testable no test is offered, on the others as before', () => {
  const tests = (text: string) => createEngine(sheetOf(text)).catalogue.procedures.map((p) => p.id)
  const before = tests(mini('heater-tank'))
  const after = tests(
    edit(mini('heater-tank'), '{ kind: cut-out, panel: side,', '{ kind: cut-out, untested: all, panel: side,'),
  )
  expect(before.filter((id) => id.startsWith('guard.'))).not.toEqual([])
  expect(after).toEqual(before.filter((id) => !id.startsWith('guard.')))
})
