import { describe, expect, it } from 'vitest'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describeCalibration } from '../../../scripts/describe-calibration'
import { describeKinds } from '../../../cli/describe-kinds'
import { findShipped, shippedIds } from '../../../cli/library'
import { describeProblem } from '../../../core/words'
import { checkRuns, buildCatalogue } from '../../../core/diagnosis/catalogue'
import {
  dependenciesOf,
  parseCondition,
  readSheet,
  readSheetWithSource,
  sheetJsonSchema,
  flattenSheet,
} from '../../../core/model/sheet'
import { orThrow } from '../../../core/foundation/result'
import { buildMachine } from '../../../core/model/machine'
import { edit, FAMILY, machineOf, mini } from '../support/sheets'

const problemsOf = (text: string) => {
  const r = readSheet(text, 'wrong.yaml', findShipped)
  return r.ok ? [] : r.problems
}

describe('sheets', () => {
  it.each(shippedIds())('shipped sheet %s is right', (id) => {
    const { text, file } = findShipped(id)!
    const r = readSheet(text, file, findShipped)
    expect(r.ok ? [] : r.problems.map((p) => describeProblem(p))).toEqual([])
  })
  it('what docs say of the language is what the language is', () => {
    const page = (name: string) => readFileSync(join(import.meta.dirname, '../../../docs', name), 'utf8')
    expect(page('kinds.md')).toBe(describeKinds())
    expect(page('calibration.md')).toBe(describeCalibration())
    expect(JSON.parse(page('sheet.schema.json'))).toEqual(JSON.parse(JSON.stringify(sheetJsonSchema())))
  })
  it.each(shippedIds())('%s written out whole reads as the same sheet', (id) => {
    const { text, file } = findShipped(id)!
    const [whole, sheet] = [flattenSheet(text, file, findShipped), readSheet(text, file, findShipped)]
    const again = whole.ok && readSheet(whole.value, file, () => undefined)
    expect(again).toEqual(sheet)
  })
  it('a sheet takes out what a sub-assembly of its family brings in', () => {
    const { text } = findShipped('tarvost-fl5')!
    const ids = (t: string) => {
      const r = readSheet(t, 'x.yaml', findShipped)
      return r.ok ? r.value.faults.map((f) => f.id) : []
    }
    expect(ids(text)).not.toContain('inlet-b.coil-open')
    expect(ids(edit(text, '  inlet-b.coil-open: null\n', ''))).toContain('inlet-b.coil-open')
  })
  it('names the sheets that it leads to, however it is written, and nothing that only looks like one', () => {
    const text = `
sheet: 1
id: x
title: "assembly: not-this"
# extends: nor-this
parts:
  a: { assembly: hose, with: { tray: t } }
  b:
    "assembly": 'drain'
  c: { kind: fuse }
extends:   base
`
    expect(dependenciesOf(text, 'x.yaml')).toEqual(['base', 'hose', 'drain'])
    expect(dependenciesOf('a: [', 'x.yaml')).toEqual([])
  })
  it('the family has its fault modes on all three lines', () => {
    const { faults, parts } = machineOf(FAMILY)
    expect(faults.length).toBeGreaterThanOrEqual(14)
    expect(new Set(faults.map((f) => parts[f.part].line))).toEqual(new Set(['water', 'power', 'level']))
  })
  it('an extending sheet overrides single values and keeps the rest', () => {
    const { text, file } = findShipped('orrisk-tl40')!
    const r = readSheet(text, file, findShipped)
    if (!r.ok) throw new Error('sheet')
    const cold = r.value.parts.find((p) => p.id === 'cold-valve')!
    expect(cold.params.ohms).toMatchObject({ value: 820, origin: 'sheet' })
    expect(cold.params['pull-in'].value).toBe(78)
    expect(r.value.family).toBe(false)
  })
  it('every mistake is reported at once, each with its place', () => {
    let text = edit(FAMILY, '  fuse: { kind: fuse,', '  fuse: { kind: fuze,')
    text = edit(text, 'drain-out, drain-pump, board.N]', 'drain-out, drain-pomp, board.N]')
    text = edit(text, 'wakes: 85 V ±5 %', 'wakes: 85 Ω ±5 %')
    text = edit(text, '{ when: level.level >= 60 mm, to: fill-hot }', '{ when: level.level >= 60, to: fill-warm }')
    text = edit(text, 'valve-return.broken: { repair: remake-return }', 'valve-return.torn: { repair: remake-return }')
    text = edit(
      text,
      '    on: [drain-out]\n    exits:\n      - { when: after 3 min, to: halted }',
      '    on: [drain-out]',
    )
    const found = problemsOf(text)
    expect(found.map((p) => p.code).sort()).toEqual(
      [
        'no-exit',
        'unknown-fault',
        'unknown-kind',
        'unknown-part',
        'unknown-phase',
        'wrong-dimension',
        'wrong-dimension',
      ].sort(),
    )
    const lines = text.split('\n')
    for (const p of found) {
      expect(p.place.file).toBe('wrong.yaml')
      expect(p.place.line).toBeGreaterThan(1)
      expect(p.place.column).toBeGreaterThan(0)
      expect(p.expected).toBeTruthy()
    }
    const places = found.map((p) => p.place.line! + p.place.column! / 1000)
    expect(places, 'as they stand in the sheet').toEqual([...places].sort((a, b) => a - b))
    const kind = found.find((p) => p.code === 'unknown-kind')!
    expect(lines[kind.place.line! - 1]).toContain('fuze')
  })
  it.each([
    ['not YAML', 'sheet: [1', 'not-yaml'],
    ['nothing', '', 'missing'],
    ['extends itself', 'sheet: 1\nid: a\ntitle: A\nextends: a\n', 'extends-itself'],
    ['extends a ghost', 'sheet: 1\nid: a\ntitle: A\nextends: ghost\n', 'unknown-sheet'],
    ['an unknown field', `${mini('interlocks')}\ncolour: blue\n`, 'unknown-field'],
    ['zero ohms', edit(mini('interlocks'), 'ohms: 5600 Ω ±8 %', 'ohms: 0 Ω'), 'out-of-range'],
    ['a float that trips where it returns', edit(mini('boiler'), 'return: 70 mm', 'return: 100 mm'), 'no-hysteresis'],
    [
      'a sub-assembly that is not there',
      edit(mini('interlocks'), 'parts:\n', 'parts:\n  extra: { assembly: ghost }\n'),
      'unknown-sheet',
    ],
    [
      'a sub-assembly that is not given what it needs',
      edit(mini('interlocks'), 'parts:\n', 'parts:\n  extra: { assembly: probe-boiler }\n'),
      'missing',
    ],
    [
      'a wire to nowhere',
      edit(mini('boiler'), 'heat: [board.L, heat-out, heater, board.N]', 'heat: [board.L, heat-out, heater, board.X]'),
      'unknown-terminal',
    ],
    [
      'a part of an option that is not named',
      edit(mini('boiler'), 'tap: { kind: stop }', 'tap: { kind: stop, option: garden }'),
      'missing',
    ],
    [
      'something joined behind a waste, fed by a tank',
      edit(
        mini('boiler'),
        'drain: [tank.bottom, drain-valve, floor-drain.in]',
        'drain: [tank.bottom, floor-drain, drain-valve.in]',
      ),
      'unknown-terminal',
    ],
    [
      'something joined behind a waste, fed by a pump',
      edit(
        findShipped('top-load-washer')!.text,
        'drain: [tub.bottom, drain-pump, standpipe.in]',
        'drain: [tub.bottom, drain-pump, standpipe, tub.top]',
      ),
      'unknown-terminal',
    ],
    ['a jumper across a protection', edit(mini('interlocks'), 'jumper: bin,', 'jumper: relay,'), 'out-of-range'],
  ])('%s', (_, text, code) => {
    expect(problemsOf(text).map((p) => p.code)).toContain(code)
  })
})

describe('sub-assemblies that lead back to themselves', () => {
  const loop = (inner: string) =>
    `sheet: 1\nid: loop\nassembly: true\ntitle: Loop\nparts:\n  again: { assembly: ${inner} }\n`
  const texts: Record<string, string> = { loop: loop('other'), other: loop('loop').replace('id: loop', 'id: other') }
  it('end in a message with the place that brings them in, not in a run without end', () => {
    const text = edit(mini('interlocks'), 'parts:\n', 'parts:\n  extra: { assembly: loop }\n')
    const r = readSheet(text, 'wrong.yaml', (id) =>
      id in texts ? { file: `${id}.yaml`, text: texts[id] } : findShipped(id),
    )
    const problems = r.ok ? [] : r.problems
    expect(problems.map((p) => p.code)).toEqual(['extends-itself'])
    expect(problems[0].place).toMatchObject({ file: 'other.yaml', path: ['parts', 'again', 'assembly'] })
  })
})

describe('what only shows when a sheet is run', () => {
  const found = (text: string) => {
    const { sheet, sourceMap } = orThrow(readSheetWithSource(text, 'run.yaml', findShipped))
    return sourceMap.locate(checkRuns(buildCatalogue(buildMachine(sheet)))).map((p) => ({
      code: p.code,
      line: text.split('\n')[p.place.line! - 1].trim(),
    }))
  }
  it('nothing on the sheets that are right', () => {
    for (const name of ['boiler', 'irrigation', 'interlocks', 'heater-tank'])
      expect(found(mini(name)), name).toEqual([])
  })
  it('a phase that never ends, a phase that nobody comes to, a test that never runs, each with its line', () => {
    const endless = edit(mini('boiler'), 'high-in.closed and after 2 s', 'high-in.closed and tank.level > 500 mm')
    expect(found(edit(endless, '\n      - { when: after 10 min, to: stopped, alarm: LOW }', ''))).toContainEqual({
      code: 'never-ends',
      line: expect.stringContaining('title: Fill') as string,
    })
    const lonely = edit(
      mini('irrigation'),
      '  idle: {',
      '  rinse: { title: Rinse, exits: [{ when: after 1 min, to: idle }] }\n  idle: {',
    )
    expect(found(lonely).map((p) => p.code)).toEqual(['never-reached'])
    const late = mini('interlocks').replaceAll('moment: running', 'moment: never')
    expect(
      found(late.replace('moments:\n', 'moments:\n  never: { title: too late, program: run, after: 9000 s }\n')).map(
        (p) => p.code,
      ),
    ).toContain('never-runs')
  })
})

describe('conditions', () => {
  it('binds not, then and, then or', () => {
    const c = parseCondition('never a.x and b.y > 3 mm or after 4 s')
    expect(c.ok && c.value).toMatchObject({
      type: 'or',
      of: [
        {
          type: 'and',
          of: [
            { type: 'not', of: { type: 'ever' } },
            { type: 'compare', si: 0.003 },
          ],
        },
        { type: 'after', seconds: 4 },
      ],
    })
  })
  it.each(['', 'a', 'a.b >=', '(a.b', 'a.b c.d', 'after soon', '!'])('refuses "%s"', (text) => {
    expect(parseCondition(text).ok).toBe(false)
  })
})
