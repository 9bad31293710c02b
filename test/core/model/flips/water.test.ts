import { describe, expect, it } from 'vitest'
import { left, millimetres, sheet } from '../../support/left-alone'
import { edit } from '../../support/sheets'

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

describe('a pressure regulator', () => {
  const LINE = sheet(
    '  hold: { kind: pressure-regulator, sets: 1 bar, falls: 0.4 bar }\n  pipe: { kind: hose, is: pipe, passes: 10 L/min }\n  stop: { kind: stop }\n  line: { kind: pressure-control, of: hold, trip: 1.4 bar, return: 1.2 bar, on-rise: closes }',
    'water:\n  through: [main.out, hold, pipe, stop, tank.top]\nfaults:\n  hold.held-open: { repair: new }\n  hold.clogged: { repair: new }\n  hold.set-low: { repair: new }\nrepairs:\n  new: { title: new regulator, minutes: 20 min }\ncomplaints:\n  slow: { says: It fills slowly, when: never tank.level > 300 mm }',
  ).replace('pressure: 2 bar', 'pressure: 3 bar')
  const perMinute = (text: string, fault?: string) => left(text, 10, fault)('pipe.flow') * 6e4
  it('gives no more than it is set to, whatever the supply; set higher, more runs', () => {
    const flow = perMinute(LINE)
    expect(perMinute(edit(LINE, 'pressure: 3 bar', 'pressure: 5 bar'))).toBeCloseTo(flow, 6)
    expect(perMinute(edit(LINE, 'sets: 1 bar', 'sets: 1.6 bar'))).toBeGreaterThan(1.1 * flow)
    // A supply below what it is set to passes as through a pipe.
    expect(left(edit(LINE, 'pressure: 3 bar', 'pressure: 0.5 bar'), 10)('hold.pressure')).toBeLessThan(0.5e5)
  })
  it('worn open lets the supply through, set low or clogged starves what comes after; a shut line stands at its setting', () => {
    const flow = perMinute(LINE)
    expect(perMinute(LINE, 'hold.held-open')).toBeGreaterThan(1.3 * flow)
    expect(left(LINE, 10, 'hold.held-open')('line.closed')).toBe(1)
    expect(perMinute(LINE, 'hold.set-low')).toBeLessThan(0.9 * flow)
    expect(perMinute(LINE, 'hold.clogged')).toBeLessThan(0.7 * flow)
    const shut = edit(
      LINE,
      '  stop: { kind: stop }',
      '  stop: { kind: solenoid-valve, ohms: 2.5 kΩ, henries-out: 5 H, henries-in: 12 H, pull-in: 150 V, drop-out: 60 V, rated: 6 L/min }',
    )
    expect(left(shut, 10)('hold.pressure')).toBeCloseTo(1e5, -1)
    expect(left(shut, 10, 'hold.held-open')('hold.pressure')).toBeGreaterThan(2.5e5)
  })
})
