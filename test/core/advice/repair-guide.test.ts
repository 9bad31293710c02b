import { describe, expect, it } from 'vitest'
import { connectorsOf, repairGuideOf } from '../../../core/advice'
import { benchChecksOf, buildMachine, type BenchCheck } from '../../../core/model/machine'
import { readSheet } from '../../../core/model/sheet'
import { findShipped, shippedIds } from '../../../cli/library'
import { orThrow } from '../../../core/foundation/result'
import { edit, machineOf } from '../support/sheets'

const shipped = (id: string) => {
  const { text, file } = findShipped(id)!
  return buildMachine(orThrow(readSheet(text, file, findShipped)))
}
const guide = (machine: ReturnType<typeof shipped>, repair: string) =>
  repairGuideOf(
    machine,
    machine.sheet.repairs.findIndex((r) => r.id === repair),
  )

describe('how a repair is done', () => {
  it('says how its parts are got at, in which order it goes, the part, and what cures it instead', () => {
    const valve = guide(shipped('orrisk-tl40'), 'new-valve')
    expect(valve.access[0]).toMatch(/^Top lid with the inlet valves: putty knife.*clips.*harness of the lid switch\.$/)
    expect(valve.access).toContain(
      'Cold valve: it sits at the back under the top lid, where the hoses come on; blue marks cold.',
    )
    expect(valve.steps.find((s) => s.caution)).toEqual({
      text: 'Two screws out, the body drawn inwards',
      caution: 'Water is left in it: nothing live below',
    })
    expect(valve.instead.map((r) => r.title)).toEqual(['clean or replace the screens'])
    expect(valve.partNumber).toBe('OR-4417 (two coils, one body)')
  })
  it('of a sub-assembly stands under the names of the sheet that brings it in', () => {
    expect(guide(shipped('ulldale-b3'), 'left-kit').kit).toEqual(['two diaphragms', 'stem seal', 'retaining clip'])
  })
  it('stops where licensed people begin: nothing there is opened or put on a bench', () => {
    const machine = shipped('quenby-c40')
    const licensed = machine.sheet.repairs.filter((r) => r.licensed !== undefined)
    expect(licensed.length).toBeGreaterThan(0)
    for (const { id } of licensed) expect(guide(machine, id)).toMatchObject({ access: [], bench: [] })
  })
  it('goes the usual way of such a part where the sheet has none of its own; what the sheet says goes before', () => {
    const text = findShipped('brindlow-d6')!
    const drain = guide(shipped('brindlow-d6'), 'straighten-hose')
    expect(drain.usual).toBe(true)
    // A filter is no hose: it is never laid without a kink.
    const filter = guide(shipped('brindlow-d6'), 'clean-filter')
    expect(filter.steps.map((s) => s.text).join()).toContain('Rinse it against the flow')
    expect(filter.steps.map((s) => s.text).join()).not.toMatch(/kink/i)
    const cleaned = orThrow(
      readSheet(
        edit(text.text, 'extends: dishwasher', 'extends: dishwasher\nrepairs:\n  new-float: { work: clean }'),
        text.file,
        findShipped,
      ),
    )
    expect(
      guide(shipped('brindlow-d6'), 'new-float')
        .steps.map((s) => s.text)
        .join(),
    ).toContain('Dip the new one')
    expect(
      guide(buildMachine(cleaned), 'new-float')
        .steps.map((s) => s.text)
        .join(),
    ).toContain('descaler')
    expect(guide(shipped('brindlow-d6'), 'clear-pump')).toMatchObject({ usual: false })
  })
  it('has steps for every repair of every machine, what to look at first and what care is worth, and no step twice', () => {
    for (const id of shippedIds()) {
      const machine = shipped(id)
      if (machine.sheet.family || machine.sheet.assembly) continue
      const guides = machine.repairs.map((_, k) => repairGuideOf(machine, k))
      machine.sheet.repairs.forEach((r, k) => {
        const asked = machine.sheet.faults.some((f) => f.repair === r.id || f.instead.includes(r.id))
        if (asked && r.licensed === undefined) expect(guides[k].steps.length, `${id} ${r.id}`).toBeGreaterThanOrEqual(2)
        expect(guides[k].steps.map((s) => s.text).join(), `${id} ${r.id}`).not.toMatch(/[<>]/)
      })
      expect(connectorsOf(machine).length, id).toBeGreaterThanOrEqual(1)
      expect(machine.sheet.asFound.length, id).toBeGreaterThanOrEqual(2)
      expect(machine.sheet.care.length, id).toBeGreaterThanOrEqual(1)
      for (const g of guides) expect(new Set(g.steps.map((s) => s.text)).size, id).toBe(g.steps.length)
    }
  })
})

describe('plugs and pins', () => {
  it('name what is on each pin, its colour, and what is common', () => {
    const [valves, pump] = connectorsOf(shipped('orrisk-tl40'))
    expect(valves).toMatchObject({ id: 'J2', title: 'valves, at the board' })
    expect(valves!.pins[0]).toMatchObject({ pin: '1', at: 'cold output, out', common: false })
    expect(pump!.pins.find((p) => p.at.startsWith('control board'))!.common).toBe(true)
  })
  it('of a terminal that no part has is refused at its place', () => {
    const { text, file } = findShipped('top-load-washer')!
    const read = readSheet(edit(text, '1: cold-out.out', '1: cold-out.banana'), file, findShipped)
    expect(read.ok ? [] : read.problems.map((p) => [p.code, p.place.path.join('.')])).toEqual([
      ['unknown-terminal', 'connectors.J2.pins.1'],
    ])
  })
})

describe('on the bench', () => {
  const BENCH = `sheet: 1
id: bench
title: Bench
frequency: 50 Hz
parts:
  mains: { kind: ac-supply, volts: 230 V }
  tank: { kind: vessel, area: 100 cm² ±2 %, height: 100 mm, holds: leaks }
  float: { kind: float-switch, of: tank, trip: 12 mm ±10 %, return: 8 mm ±10 % }
  stat: { kind: thermostat, of: tank, opens-at: 60 °C ±2 °C, closes-at: 50 °C ±2 °C }
  guard: { kind: cut-out, of: tank, trips-at: 120 °C ±4 °C, reset: button }
  valve: { kind: solenoid-valve, ohms: 3.6 kΩ ±8 %, henries-out: 7 H, henries-in: 18 H, pull-in: 150 V, drop-out: 60 V }
programs: { run: { title: Run, lasts: 1 min } }
`
  const checks = (part: string, text = BENCH): BenchCheck[] => {
    const machine = machineOf(text)
    return benchChecksOf(machine, machine.partIndex.get(part)!)
  }
  it('a float in a leak tray trips by a measured cup: its height times the bottom of the tray', () => {
    const cup = checks('float').find((c) => c.type === 'cup')!
    expect(cup.volume[0] * 1e6).toBeCloseTo(10.8 * 98 * 0.1, 1)
    expect(cup.volume[1] * 1e6).toBeCloseTo(13.2 * 102 * 0.1, 1)
    expect(checks('float', edit(BENCH, 'holds: leaks', 'holds: water')).map((c) => c.type)).toEqual(['dipped'])
  })
  it.each([
    // The tolerance, and six kelvin past the trip point.
    { part: 'stat', medium: 'water', until: 68 },
    { part: 'guard', medium: 'dry', until: 130 },
  ])('$part is warmed in what gets hot enough, a few kelvin past its trip point and no further', (own) => {
    const [heated] = checks(own.part)
    expect(heated).toMatchObject({ type: 'heated', medium: own.medium })
    expect(heated!.type === 'heated' && heated!.until).toBeCloseTo(own.until, 6)
  })
  it('a one-shot cut-out never, a thermostat that opens cold in ice', () => {
    expect(checks('guard', edit(BENCH, 'reset: button', 'reset: never'))).toEqual([{ type: 'never' }])
    const warm = 'opens-at: 60 °C ±2 °C, closes-at: 50 °C ±2 °C'
    const cold = edit(BENCH, warm, 'opens: cold, opens-at: 3 °C, closes-at: 6 °C')
    expect(checks('stat', cold).map((c) => c.type)).toEqual(['chilled'])
  })
  it.each([
    { pulls: '8.5 V', source: 'battery', types: ['coil', 'air'] },
    { pulls: '16 V', source: 'transformer', types: ['coil', 'air'] },
    { pulls: '150 V', source: 'none', types: ['coil'] },
  ])('a coil that pulls at $pulls is energised on the bench from: $source', ({ pulls, source, types }) => {
    const own = checks('valve', edit(BENCH, 'pull-in: 150 V, drop-out: 60 V', `pull-in: ${pulls}, drop-out: 3 V`))
    expect(own.map((c) => c.type)).toEqual(types)
    expect(own[0]).toMatchObject({ source })
  })
})
