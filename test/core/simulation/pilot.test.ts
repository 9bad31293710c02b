import { describe, expect, it } from 'vitest'
import { advise } from '../../../core/advice'
import { makeFaultedMachine } from '../../../core/model/machine'
import { simulate } from '../../../core/simulation/simulate'
import { edit, evidenceOf, machineOf, mini, predictorOf, activeFaultsIn } from '../support/sheets'

/** The irrigation mini sheet with pilot valves in place of plain ones. */
const FAULTS = [
  'exhaust-blocked',
  'metering-blocked',
  'diaphragm-stiff',
  'diaphragm-torn',
  'bleed-loose',
  'flow-control-shut',
  'plunger-stuck',
]
const text = edit(
  mini('irrigation').replaceAll('kind: solenoid-valve', 'kind: pilot-valve').replaceAll(', rated: 25 L/min', ''),
  '  v3.does-not-open: { repair: rebuild-valve }',
  FAULTS.map((f) => `  v3.${f}: { repair: rebuild-valve }`).join('\n'),
)
const p = predictorOf(text)
const shows = (test: string, fault?: string) => {
  const procedure = p.catalogue.procedures.find((x) => x.id === `v3.${test}`)!
  const shown = p.predict(fault ? p.hypothesisFor([activeFaultsIn(p.catalogue.machine, fault)]) : p.healthy, procedure)
  return shown.type === 'sense' ? shown.yes > 0.5 : shown.type
}

describe('a pilot valve opened by hand', () => {
  it.each([
    // fault, water by the bleed, water by the plunger, water leaving the bleed
    [undefined, true, true, true],
    ['v3.coil-open', true, true, true],
    ['v3.plunger-stuck', true, true, true],
    ['v3.exhaust-blocked', true, false, true],
    ['v3.diaphragm-stiff', false, false, true],
    ['v3.flow-control-shut', false, false, true],
    ['gate.shut', false, false, false],
  ] as const)('%s: by bleed %s, by plunger %s, at the bleed %s', (fault, byBleed, byPlunger, atBleed) => {
    expect([shows('by-bleed', fault), shows('by-plunger', fault), shows('at-bleed', fault)]).toEqual([
      byBleed,
      byPlunger,
      atBleed,
    ])
  })
  it('passes with the power off for a torn diaphragm, a blocked metering port and a bleed left loose', () => {
    for (const fault of ['v3.diaphragm-torn', 'v3.metering-blocked', 'v3.bleed-loose'])
      expect(shows('passes-off', fault), fault).toBe(true)
    expect(shows('passes-off')).toBe(false)
  })
  it('does not lift under its minimum differential', () => {
    const machine = machineOf(text)
    const opens = (pascals: number) => {
      const values = machine.values.slice()
      values[machine.params.find((x) => x.id === 'main.pressure')!.index] = pascals
      const v1 = machine.parts[machine.partIndex.get('v1')!]
      const t = simulate(makeFaultedMachine(machine, [], [], values), {
        steps: [{ at: 0, start: 0 }],
        until: 20,
        stopsWhenFinal: false,
        moments: [],
      })
      return t.end.modes[v1.mode.passage] === 1
    }
    expect([opens(0.5e5), opens(1.5e5)]).toEqual([false, true])
  })
  it('by bleed only: the exhaust path is named', () => {
    const a = advise(
      p,
      evidenceOf(
        p,
        { complaint: 'three-dead' },
        { test: 'v3.volts', reading: '26' },
        { test: 'v3.by-bleed', reading: 'yes' },
        { test: 'v3.by-plunger', reading: 'no' },
      ),
    )
    expect(a.suspects[0].faults.map((f) => f.id)).toEqual(['v3.exhaust-blocked'])
  })
})
