import { describe, expect, it } from 'vitest'
import { left, sheet } from '../../support/left-alone'
import { edit } from '../../support/sheets'

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
    const held = (of: typeof before) => of('salt.conductivity') * of('tank.volume')
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
