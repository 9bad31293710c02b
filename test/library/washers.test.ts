import { describe, expect, it } from 'vitest'
import { createEngine } from '../../core/advice'
import { buildMachine } from '../../core/model/machine'
import type { Sheet } from '../../core/model/sheet'
import { shipped, run, says, lasts, shows } from './support/changed-sheets'

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
