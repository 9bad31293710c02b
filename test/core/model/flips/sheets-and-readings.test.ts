import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../../cli/library'
import { createEngine } from '../../../../core/advice'
import { readSheet } from '../../../../core/model/sheet'
import { DrawnMachine, random } from '../../../../core/truth'
import { left, sheet } from '../../support/left-alone'
import { edit, mini, sheetOf } from '../../support/sheets'

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
