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

describe('steam', () => {
  const BOILER = sheet(
    '  element: { kind: heater, in: tank, ohms: 26.45 Ω }\n  head: { kind: steam-pipe, of: tank, passes: 1 L/min }\n  relief: { kind: relief-valve, of: tank, passes: 4 L/min, opens-at: 0.9 bar, shuts-at: 0.6 bar }\n  control: { kind: pressure-control, of: head, trip: 0.5 bar, return: 0.3 bar, on-rise: opens }\n  room: { kind: steam-room, from: head, loses: 100 W, follows: 5 min, fills: 0.3 L }\n  damp: { kind: humidity-control, of: room, trip: 80 %, return: 70 %, on-rise: closes }\n  salt: { kind: salts, of: tank, water: main }',
    'wiring:\n  heat: [mains.L, control, element, mains.N]\nfaults:\n  head.blocked: { repair: clean }\n  relief.leaks: { repair: clean }\n  relief.jammed: { repair: clean }\n  room.open: { repair: clean }\nrepairs:\n  clean: { title: clean, minutes: 20 min }\ncomplaints:\n  cold: { says: It stays cold, when: never head.blows }',
  ).replace('area: 100 cm², height: 400 mm }', 'area: 100 cm², height: 400 mm, lid: closed, start: 2 L }')
  it('under a lid leaves by its pipe at the pressure that drives it there, and what evaporates is what the element gives', () => {
    const read = left(BOILER, 1200)
    // Two kilowatts, less the heat that a litre at 100 °C wants: 2.26 MJ/kg leave as steam.
    const litresPerMinute = (2000 / 2.26e6) * 60
    expect(read('head.steam') * 6e4).toBeCloseTo(litresPerMinute, 3)
    expect(read('head.pressure') / 1e5).toBeCloseTo(litresPerMinute, 3)
    // Steam tables: 0.053 bar above the air at 101.4 °C.
    expect(read('tank.temperature')).toBeGreaterThan(101.2)
    expect(read('tank.temperature')).toBeLessThan(101.7)
    // Open, it boils at 100 °C and leaves by no pipe.
    const open = left(edit(BOILER, 'lid: closed', 'lid: open'), 1200)
    expect(open('tank.temperature')).toBeLessThan(100.2)
    expect(open('head.steam')).toBeLessThan(1e-9)
  })
  it('behind a blocked pipe rises to what controls it, and where that is set higher to its relief valve', () => {
    expect(left(BOILER, 1500, 'head.blocked')('head.pressure')).toBeLessThan(0.53e5)
    const high = edit(BOILER, 'trip: 0.5 bar, return: 0.3 bar', 'trip: 3 bar, return: 2.5 bar')
    const blown = left(high, 1500, 'head.blocked')
    expect(blown('head.pressure')).toBeLessThan(0.95e5)
    expect(
      left(edit(high, 'opens-at: 0.9 bar', 'opens-at: 1.4 bar'), 1500, 'head.blocked')('head.pressure'),
    ).toBeGreaterThan(0.6e5)
  })
  it('warms and dampens the room it is led into; what it leaves behind makes the water conduct more', () => {
    const [before, after, aired] = [left(BOILER, 60), left(BOILER, 1800), left(BOILER, 1800, 'room.open')]
    expect(before('room.temperature')).toBeCloseTo(20, 1)
    expect(after('room.temperature')).toBeGreaterThan(35)
    expect(aired('room.temperature')).toBeLessThan(after('room.temperature') - 5)
    expect([before('damp.closed'), after('damp.closed')]).toEqual([0, 1])
    expect(left(edit(BOILER, 'trip: 80 %, return: 70 %', 'trip: 99.9 %, return: 70 %'), 1800)('damp.closed')).toBe(0)
    // Salt stays: conductivity times volume is what it was.
    const held = (of: typeof before) => of('salt.conducts') * of('tank.volume')
    expect(held(after) / held(before)).toBeCloseTo(1, 6)
    expect(after('tank.volume')).toBeLessThan(0.8 * before('tank.volume'))
  })
})

describe('a gas burner', () => {
  const BURNER = sheet(
    '  burner: { kind: gas-burner, in: tank, starts: 150 V, lights: 8 s, watts: 2 kW }',
    'wiring:\n  call: [mains.L, burner, mains.N]\nfaults:\n  burner.dead: { repair: call }\nrepairs:\n  call: { title: call, minutes: 20 min }\ncomplaints:\n  cold: { says: It stays cold, when: never burner.burns }',
  ).replace('area: 100 cm², height: 400 mm }', 'area: 100 cm², height: 400 mm, start: 2 L }')
  it('lights some time after its call and heats; dead it is called and does not burn', () => {
    expect([7, 9].map((at) => left(BURNER, at)('burner.burns'))).toEqual([0, 1])
    expect(left(edit(BURNER, 'lights: 8 s', 'lights: 20 s'), 9)('burner.burns')).toBe(0)
    const dead = left(BURNER, 300, 'burner.dead')
    expect([dead('burner.called'), dead('burner.burns')]).toEqual([1, 0])
    expect(left(BURNER, 300)('tank.temperature')).toBeGreaterThan(dead('tank.temperature') + 50)
  })
})

describe('one pole of an isolator burnt', () => {
  const POLES = sheet(
    '  isolator: { kind: isolator, poles: open }\n  lamp: { kind: lamp, ohms: 100 Ω, lights: 100 V }',
    'wiring:\n  live: [mains.L, isolator.Lin/Lout, lamp.a]\n  back: [mains.N, isolator.Nin/Nout, lamp.b]\nfaults:\n  isolator.live-burnt: { repair: hand-over }\n  isolator.neutral-burnt: { repair: hand-over }\nrepairs:\n  hand-over: { title: hand over, minutes: 10 min, licensed: Fixed wiring. }\ncomplaints:\n  dark: { says: It is dark, when: never lamp.lit }',
  )
  it('leaves the machine dead, and the volts across its poles say which; a plug has no poles to measure', () => {
    expect(left(POLES, 2)('lamp.lit')).toBe(1)
    const engine = createEngine(sheetOf(POLES))
    const { predictor, catalogue } = engine
    const volts = (fault: string, test: string) => {
      const at = predictor.hypotheses.find(
        ({ activeFaults: [x] }) => x?.fault.id === fault && x.missProbability === undefined,
      )!
      const read = predictor.predict(
        at,
        catalogue.procedures.find((p) => p.id === test)!,
      )
      return read.type === 'value' ? Math.round(read.mean / 230) : NaN
    }
    for (const [fault, across] of [
      ['isolator.live-burnt', [1, 0]],
      ['isolator.neutral-burnt', [0, 1]],
    ] as const)
      expect([volts(fault, 'isolator.across-live'), volts(fault, 'isolator.across-neutral')]).toEqual(across)
    const plug = createEngine(sheetOf(edit(POLES, 'poles: open', 'poles: sealed'))).catalogue
    const own = (of: typeof catalogue) => of.procedures.flatMap((p) => (p.id.startsWith('isolator.') ? [p.id] : []))
    expect(own(plug)).toEqual(['isolator.found'])
    expect(own(catalogue)).toHaveLength(4)
  })
})

describe('a sheet over a sheet', () => {
  it('a part of another kind keeps nothing of the one it stands for', () => {
    const base = sheet(
      '  valve: { kind: float-valve, of: tank, shuts-at: 150 mm }',
      'water:\n  fill: [main.out, valve, tank.top]',
    )
    const over = (part: string) =>
      readSheet(`sheet: 1\nid: over\nextends: flip\ntitle: Over\nparts:\n  valve: { ${part} }\n`, 'over.yaml', (id) =>
        id === 'flip' ? { file: 'flip.yaml', text: base } : undefined,
      )
    const taken = over('kind: hose, passes: 9 L/min')
    expect(taken.ok && taken.value.parts.find((p) => p.id === 'valve')!.kind.id).toBe('hose')
    const same = over('kind: float-valve, over: 30 mm')
    expect(same.ok && same.value.parts.find((p) => p.id === 'valve')!.params['shuts-at'].value).toBeCloseTo(0.15, 9)
  })
  it('a panel that only licensed people open hides what is behind it from every test', () => {
    const tests = (text: string) => createEngine(sheetOf(text)).catalogue.procedures.map((p) => p.id)
    const own = mini('heater-tank')
    const [panel] = /^ {2}side: \{ title: [^}]+ \}$/m.exec(own)!
    const sealed = tests(own.replace(panel, panel.replace(' }', ', licensed: Gas work. }')))
    const behind = sheetOf(own)
      .parts.filter((p) => p.panel === 'side')
      .map((p) => p.id)
    expect(tests(own).filter((id) => behind.includes(id.split('.')[0]!))).not.toEqual([])
    expect(sealed.filter((id) => behind.includes(id.split('.')[0]!))).toEqual([])
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
