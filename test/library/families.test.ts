import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { findShipped, shippedIds } from '../../cli/library'
import { lookThrough, meet } from '../../benchmark/self-check'
import { advise, createEngine } from '../../core/advice'
import { fits, search } from '../../core/search'
import { orThrow } from '../../core/foundation/result'
import { buildMachine, makeFaultedMachine, type Machine } from '../../core/model/machine'
import type { Predictor } from '../../core/diagnosis/predict'
import { readSheet, flattenSheet, type FindSheet, type Sheet } from '../../core/model/sheet'
import { programSteps, simulate, type Timeline } from '../../core/simulation/simulate'
import { runPlain } from '../../core/truth'
import { renameAll } from '../core/support/rename'
import { edit, evidenceOf, activeFaultsIn } from '../core/support/sheets'

/** A shipped sheet with single lines of it, or of what it brings in, changed. */
function shipped(id: string, ...changes: [file: string, from: string, to: string][]): Sheet {
  const find: FindSheet = (name) => {
    const found = findShipped(name)
    if (!found) return undefined
    const own = changes.filter(([file]) => file === name)
    return { ...found, text: own.reduce((text, [, from, to]) => edit(text, from, to), found.text) }
  }
  const { text, file } = find(id)!
  return orThrow(readSheet(text, file, find))
}
const run = (machine: Machine, fault?: string, values?: Float64Array): Timeline =>
  simulate(makeFaultedMachine(machine, fault ? [activeFaultsIn(machine, fault)] : [], [], values), {
    steps: [{ at: 0, start: 0 }],
    until: machine.programs[0].duration,
    stopsWhenFinal: false,
    moments: [],
  })
const says = (machine: Machine, fault?: string) => {
  const t = run(machine, fault)
  return machine.sheet.complaints.filter((_, i) => t.complaints[i]).map((c) => c.id)
}
const lasts = (machine: Machine, t: Timeline, phase: string) => {
  const { from, to } = t.phases[machine.phases.findIndex((p) => p.id === phase)]
  return to - from
}
/** What a test shows under a fault: the mean of a number, or the likelier word. */
function shows(sheet: Sheet, test: string, fault?: string, instrument?: string): number | string {
  const predictor = createEngine(sheet).predictor
  const { machine, procedures } = predictor.catalogue
  const p = predictor.predict(
    predictor.hypothesisFor(fault ? [activeFaultsIn(machine, fault)] : []),
    procedures.find((x) => x.id === test)!,
    instrument,
  )
  return p.type === 'value' ? p.mean : p.type === 'sense' ? (p.yes > 0.5 ? 'yes' : 'no') : p.type
}

describe('the library as a whole', () => {
  const sheets = shippedIds().map((id) => shipped(id))
  const machines = sheets.filter((s) => !s.assembly)
  it('holds seven families with two machines of each, and the sub-assemblies they are made of', () => {
    const families = machines.filter((s) => s.family).map((s) => s.id)
    expect(families).toHaveLength(7)
    const base = (id: string) => /^extends: (.+)$/m.exec(findShipped(id)!.text)?.[1]
    for (const f of families) expect(machines.filter((m) => base(m.id) === f).length, f).toBeGreaterThanOrEqual(2)
    const parts = sheets.filter((s) => s.assembly)
    expect(parts.length).toBeGreaterThanOrEqual(5)
    for (const s of parts) expect(s.faults.length, s.id).toBeGreaterThanOrEqual(6)
  })
  it.each([
    ['orrisk-tl40', 'orrisk-tl22'],
    ['tarvost-fl7', 'tarvost-fl5'],
    ['brindlow-d6', 'brindlow-d3'],
    ['quenby-c40', 'quenby-c25'],
    ['quenby-c40', 'quenby-c12'],
    ['ulldale-f9', 'ulldale-f6'],
    ['brindlow-s12', 'brindlow-s8'],
    ['ulldale-g6', 'ulldale-g6s'],
  ])(
    '%s and %s: some complaint gets other first advice',
    (one, two) => {
      const [a, b] = [one, two].map((id) => createEngine(machines.find((s) => s.id === id)!).predictor)
      const first = (p: Predictor, complaint: string) =>
        advise(p, evidenceOf(p, { complaint }), 'best', 0)
          .plan.next.slice(0, 3)
          .map((s) => s.procedure.id)
          .join()
      const both = a.catalogue.machine.sheet.complaints.filter((c) =>
        b.catalogue.machine.sheet.complaints.some((d) => d.id === c.id),
      )
      expect(both.some(({ id }) => first(a, id) !== first(b, id))).toBe(true)
    },
    60_000,
  )
  const example = (name: string) => {
    const file = join(import.meta.dirname, '../../docs/examples', `${name}.yaml`)
    return createEngine(orThrow(readSheet(readFileSync(file, 'utf8'), file, findShipped))).predictor
  }
  it('an example in docs is a whole machine: every fault shows, and a phase that passes at once has been there', () => {
    const predictor = example('batch-brewer')
    expect(lookThrough(predictor).wrong).toEqual([])
    const { machine } = predictor.catalogue
    expect(says(machine)).toEqual([])
    // The tank is still full: the refill is over in the instant in which it begins.
    expect(says(machine, 'brew-valve.coil-open')).toEqual(['short'])
  })
  it('the other has no control: its phases go by the clock, in both simulators, and its advice ends on the right repair', () => {
    const predictor = example('field-sprayer')
    expect(predictor.catalogue.machine.sheet.control).toBeUndefined()
    expect(lookThrough(predictor).wrong).toEqual([])
    const { machine } = predictor.catalogue
    const script = { steps: [{ at: 0, start: 0 }], until: 200, stopsWhenFinal: false, moments: [] }
    const entries = (phases: { time: number; phase: number }[]) =>
      phases.map((p) => [machine.phases[p.phase].id, p.time])
    const plain = runPlain(makeFaultedMachine(machine), script)
    expect(entries(plain.phases)).toEqual([
      ['spray', 0],
      ['ended', 180],
    ])
    expect(lasts(machine, run(machine), 'spray')).toBeCloseTo(180, 6)
    for (const id of ['ground.corroded', 'left-valve.plunger-stuck', 'swapped-wires']) {
      const { fault } = activeFaultsIn(machine, id)
      expect(meet(predictor, fault, 1)?.solved, id).toBe(true)
    }
  })
  it.each(['tarvost-fl7', 'brindlow-d6', 'quenby-c40', 'ulldale-f9', 'brindlow-s12', 'ulldale-g6'])(
    '%s: other names for everything change no number',
    (id) => {
      const { text, file } = findShipped(id)!
      const whole = orThrow(flattenSheet(text, file, findShipped))
      const { renamed, name } = renameAll(whole)
      const [a, b] = [whole, renamed].map((t) => createEngine(orThrow(readSheet(t, file, () => undefined))).predictor)
      const [{ id: complaint }] = a.catalogue.machine.sheet.complaints
      const [one, two] = [
        advise(a, evidenceOf(a, { complaint }), 'best', 0),
        advise(b, evidenceOf(b, { complaint: name(complaint) }), 'best', 0),
      ]
      expect(b.catalogue.machine.parts.some((p) => a.catalogue.machine.partIndex.has(p.id))).toBe(false)
      expect(Array.from(two.belief.posterior)).toEqual(Array.from(one.belief.posterior))
      expect(two.plan.next.map((s) => [s.minutes, s.saving])).toEqual(one.plan.next.map((s) => [s.minutes, s.saving]))
      expect(two.plan.remedies).toEqual(one.plan.remedies)
    },
    60_000,
  )
  it('is found by maker, model, code, lamps and complaint, misspelt and misread', () => {
    const list = machines.map((s) => ({
      id: s.id,
      words: [
        s.title,
        s.maker ?? '',
        s.model ?? '',
        ...s.searchWords,
        ...s.alarms.flatMap((a) => [a.code, a.lamps ?? '']),
      ],
    }))
    expect(search(list, 'orisk tl4o')[0].id).toBe('orrisk-tl40')
    expect(search(list, 'F2O')[0].id).toBe('orrisk-tl22')
    expect(search(list, 'quenby c 25')[0].id).toBe('quenby-c25')
    expect(search(list, '3 beeps').map((x) => x.id)).toEqual(['quenby-c25'])
    expect(fits(list[0], 'nothing of the kind')).toBe(0)
    expect(search(list, '')).toHaveLength(list.length)
  })
})

describe('front-load washer', () => {
  const fl = shipped('front-load-washer')
  it('three identical plugs can be crossed: water goes to the wrong place, unless only their returns are', () => {
    const machine = buildMachine(fl)
    expect(says(machine)).toEqual([])
    expect(says(machine, 'inlet-crossed-a-c')).toContain('wrong-tray')
    const other = shipped('front-load-washer', [
      'three-outlet-valve',
      'effects: [{ swap: [a-plug.b1, c-plug.b1] }, { swap: [a-plug.b2, c-plug.b2] }]',
      'effects: [{ swap: [a-plug.b2, c-plug.b2] }]',
    ])
    expect(says(buildMachine(other), 'inlet-crossed-a-c')).toEqual([])
  })
  it('a lost return is invisible to a neon tester and plain to a voltmeter', () => {
    const seen = (fault?: string) => [
      shows(fl, 'inlet-b.volts', fault, 'neon'),
      (shows(fl, 'inlet-b.volts', fault) as number) > 200,
    ]
    expect(seen()).toEqual(['yes', true])
    expect(seen('inlet-return.broken')).toEqual(['yes', false])
  })
  it('the leak tray trips at a shallow depth; its switch reports, or opens the loop of the leak-stop coil', () => {
    const [fl7, fl5] = ['tarvost-fl7', 'tarvost-fl5'].map((id) => buildMachine(shipped(id)))
    expect(says(fl7, 'supply-joint.weeps')).toEqual(['leak-code'])
    expect(says(fl5, 'supply-joint.weeps')).not.toContain('leak-code')
    expect(says(fl5, 'supply-tray-switch.stuck-open')).toContain('no-water')
    const t = run(fl7, 'supply-joint.weeps')
    const opened = t.events.find((e) => e.type === 'alarm')!.time
    const { volume } = fl7.parts[fl7.partIndex.get('supply-tray')!].state
    expect(t.samples.findLast((s) => s.time <= opened)!.states[volume] / 0.25).toBeCloseTo(0.006, 3)
  })
})

describe('top-load washer', () => {
  const tl = shipped('top-load-washer')
  it('the hot valve is called later than the cold, and only where a program asks for it', () => {
    const at = (sheet: Sheet, test: string) =>
      createEngine(sheet).predictor.catalogue.procedures.find((p) => p.id === test)?.needs.arrival?.seconds
    expect(at(tl, 'hot-valve.volts')).toBeGreaterThan(at(tl, 'cold-valve.volts')!)
    const cold = shipped(
      'top-load-washer',
      ['top-load-washer', '    title: Hot fill\n    on: [hot-out]', '    title: Hot fill\n    on: [cold-out]'],
      [
        'top-load-washer',
        '    title: Hot fill in service\n    on: [hot-out]',
        '    title: Hot fill in service\n    on: [cold-out]',
      ],
    )
    expect(at(cold, 'hot-valve.volts')).toBeUndefined()
  })
  it('hoses crossed at the taps are felt at the cold fill', () => {
    expect([shows(tl, 'feel-cold'), shows(tl, 'feel-cold', 'crossed-hoses')]).toEqual(['no', 'yes'])
  })
})

describe('dishwasher', () => {
  const machine = buildMachine(shipped('dishwasher'))
  it('a thermistor open, shorted or drifted: each its own symptom', () => {
    const end = (fault: string) => run(machine, fault).end.signal(machine.partIndex.get('warmth')!, 'temperature')
    expect(says(machine, 'bead.open')).toContain('cold')
    expect(end('bead.open')).toBeLessThan(-15)
    expect(end('bead.shorted')).toBeGreaterThan(115)
    expect(says(machine, 'bead.drifted')).toContain('too-hot')
  })
  it('a phase overruns for no heat, a sensor, or a valve: each names its own', () => {
    const base = run(machine)
    const over = (fault: string, phase: string) =>
      lasts(machine, run(machine, fault), phase) / lasts(machine, base, phase)
    expect(over('heater.open', 'wash')).toBeGreaterThan(2)
    expect(over('bead.drifted', 'wash')).toBeGreaterThan(1.2)
    expect(over('screen.blocked', 'fill')).toBeGreaterThan(1.5)
    expect(over('screen.blocked', 'first-drain')).toBeCloseTo(1, 6)
  })
  it('windows move with water and room', () => {
    const at = (id: string, value: number) => {
      const values = machine.values.slice()
      values[machine.params.find((p) => p.id === id)!.index] = value
      return lasts(machine, run(machine, undefined, values), 'wash')
    }
    expect(at('main.temperature', 22)).toBeLessThan(at('main.temperature', 6) - 60)
    expect(at('ambient', 30)).toBeLessThan(at('ambient', 14))
  })
})

describe('flake ice machine of the relay generation', () => {
  const f9 = shipped('ulldale-f9')
  it('the flush timer holds the water off as long as it is set, or for ever', () => {
    const opens = (sheet: Sheet, fault?: string) => {
      const machine = buildMachine(sheet)
      const { passage } = machine.parts[machine.partIndex.get('res-valve')!].mode
      return run(machine, fault).events.find((e) => e.type === 'mode' && e.mode === passage)?.time
    }
    expect(opens(f9)).toBeCloseTo(90, 0)
    expect(opens(shipped('ulldale-f9', ['flake-ice-machine', 'delay: 90 s', 'delay: 200 s']))).toBeCloseTo(200, 0)
    expect(opens(f9, 'flush-timer.never-closes')).toBeUndefined()
  })
  it('stops the other way round, in both simulators: the compressor at once, the auger after its stop timer', () => {
    const stopped = (...changes: Parameters<typeof shipped>[1][]) => {
      const machine = buildMachine(shipped('ulldale-f9', ...changes))
      const program = machine.programs.findIndex((p) => p.id === 'stop')
      const [{ after }] = machine.programs[program].later
      const script = {
        steps: programSteps(machine, program, 0),
        until: machine.programs[program].duration,
        stopsWhenFinal: false,
        moments: [20, 40, 80].map((s) => ({ type: 'time' as const, at: after + s })),
      }
      const faulted = makeFaultedMachine(machine)
      const running = (points: readonly ({ signal(part: number, name: string): number } | undefined)[]) =>
        points.map((point) =>
          ['compressor', 'auger'].filter((id) => point!.signal(machine.partIndex.get(id)!, 'runs') > 0.5),
        )
      const quick = running(simulate(faulted, script).snapshots)
      expect(running(runPlain(faulted, script).snapshots.map((s) => s?.point))).toEqual(quick)
      return quick
    }
    expect(stopped()).toEqual([['auger'], ['auger'], []])
    // A timer that closes late instead lets go with the chain.
    expect(stopped(['flake-ice-machine', 'delays: opening', 'delays: closing'])).toEqual([[], [], []])
    expect(shows(shipped('ulldale-f9'), 'runs-on')).toBeCloseTo(60, 0)
    expect(shows(shipped('ulldale-f9'), 'runs-on', 'stops-at-once')).toBe('never')
  })
  it('one jumper after another names the open link of the chain', () => {
    const bridged = (fault: string) => ['bridge-bin', 'bridge-spout'].map((test) => shows(f9, test, fault))
    expect(bridged('bin-stat.stuck-open')).toEqual(['yes', 'no'])
    expect(bridged('spout.stuck-open')).toEqual(['no', 'yes'])
  })
  it('two lamps read together halve the chain', () => {
    const machine = buildMachine(f9)
    expect(says(machine, 'control-fuse.blown')).toContain('dead')
    expect(says(machine, 'spout.stuck-open')).toContain('power-only')
    expect(says(machine, 'overload.tripped')).toContain('no-run-lamp')
  })
  it('an option that is not fitted carries no suspicion', () => {
    const f6 = shipped('ulldale-f6')
    expect(f9.faults.map((f) => f.id)).toContain('low-pressure.stuck-open')
    expect(f6.faults.map((f) => f.id)).not.toContain('low-pressure.stuck-open')
    expect(says(buildMachine(f6))).toEqual([])
  })
})

describe('cube ice machine without a float', () => {
  it('fills for a set time, and the length of its completion timer sets the size of the ice', () => {
    const machine = buildMachine(shipped('quenby-c12'))
    const t = run(machine)
    expect(lasts(machine, t, 'prefill')).toBeCloseTo(80, 3)
    expect(says(machine)).toEqual([])
    const timer = (minutes: number) =>
      buildMachine(shipped('quenby-c12', ['quenby-c12', 'after 19 min, to: purge', `after ${minutes} min, to: purge`]))
    expect(says(timer(25))).toContain('big')
    expect(says(timer(11))).toContain('hollow')
  })
  it('a plate that stays hot stops it, one that only does not cool stops it later and says something else', () => {
    const machine = buildMachine(shipped('quenby-c12'))
    const [hot, warm] = ['gas-out.stuck', 'plate.no-cold'].map((fault) => run(machine, fault))
    expect(says(machine, 'gas-out.stuck')).toContain('hot-code')
    expect(says(machine, 'plate.no-cold')).toContain('not-cold')
    expect(says(machine, 'plate.no-cold')).not.toContain('hot-code')
    expect(lasts(machine, hot, 'chill')).toBeLessThan(lasts(machine, warm, 'chill') / 2)
  })
})

describe('boiler steamer', () => {
  const s12 = shipped('brindlow-s12')
  it('drains itself when off: its float tells nothing dead, unless the drain is closed at rest', () => {
    const tells = (sheet: Sheet) => shows(sheet, 'cutoff.ohms') !== shows(sheet, 'cutoff.ohms', 'cutoff.stuck-open')
    expect(tells(s12)).toBe(false)
    expect(tells(shipped('brindlow-s12', ['probe-boiler', 'rest: open', 'rest: closed']))).toBe(true)
    expect([shows(s12, 'cutoff-in.lamp'), shows(s12, 'cutoff-in.lamp', 'cutoff.stuck-open')]).toEqual(['yes', 'no'])
  })
  it('water that does not conduct is not seen by the probes', () => {
    const machine = buildMachine(s12)
    expect(says(machine)).toEqual([])
    expect(says(machine, 'main.too-pure')).toContain('overfills')
  })
})

describe('irrigation', () => {
  const six = shipped('ulldale-g6')
  it('a pilot valve with a blocked exhaust opens by its bleed and not by its plunger', () => {
    const byHand = (fault?: string) => ['v2.by-bleed', 'v2.by-plunger'].map((test) => shows(six, test, fault))
    expect(byHand()).toEqual(['yes', 'yes'])
    expect(byHand('v2.exhaust-blocked')).toEqual(['yes', 'no'])
  })
  it('a controller that still sends voltage at off is measured at the valve', () => {
    expect(shows(six, 'v3.idle-volts', 't3.stuck')).toBeGreaterThan(20)
    expect(shows(six, 'v3.idle-volts')).toBeLessThan(1)
  })
  it('a broken common kills every zone beyond it, whichever way the boxes follow one another', () => {
    const there = buildMachine(six)
    const turned = buildMachine(shipped('ulldale-g6s'))
    const dead = (machine: Machine, fault: string) => says(machine, fault).filter((id) => id.endsWith('dead'))
    expect(dead(there, 'common-b.broken')).toEqual(['beyond-a-dead'])
    expect(dead(there, 'common-c.broken')).toEqual(['beyond-b-dead'])
    expect(dead(turned, 'common-c.broken')).toEqual(['all-dead'])
    expect(dead(turned, 'common-a.broken')).toEqual(['beyond-b-dead'])
  })
})

describe('licensed work', () => {
  it('is named where advice comes to it', () => {
    const licensed = shipped('quenby-c40').repairs.filter((r) => r.licensed)
    expect(licensed.map((r) => r.id)).toEqual(['call-refrigeration'])
    expect(licensed[0].licensed).toContain('licensed people')
  })
})
