import { describe, expect, it } from 'vitest'
import { left, sheet } from '../../support/left-alone'
import { edit } from '../../support/sheets'

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
