import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { pick, random, type Random } from '../../../core/truth'
import { findShipped } from '../../../cli/library'
import { InputError } from '../../../core/foundation/result'
import { describeProblem } from '../../../core/words'
import { buildMachine, makeFaultedMachine } from '../../../core/model/machine'
import { checkRuns, buildCatalogue } from '../../../core/diagnosis/catalogue'
import { readSheet } from '../../../core/model/sheet'
import { simulate } from '../../../core/simulation/simulate'
import { mini } from '../support/sheets'

const example = (name: string) =>
  readFileSync(join(import.meta.dirname, '../../../docs/examples', `${name}.yaml`), 'utf8')
const SHEETS: Record<string, string> = {
  washer: findShipped('top-load-washer')!.text,
  flakes: findShipped('flake-ice-machine')!.text,
  garden: findShipped('irrigation')!.text,
  wash: example('dog-wash'),
  tank: example('lobster-tank'),
  boiler: mini('boiler'),
}

/** What a hand does to a sheet by mistake. */
const SLIPS: Record<string, (lines: string[], at: number, next: Random) => string[]> = {
  'a line lost': (lines, at) => lines.toSpliced(at, 1),
  'a line twice': (lines, at) => lines.toSpliced(at, 0, lines[at]),
  'the end lost': (lines, at) => lines.slice(0, at + 1),
  'half a line lost': (lines, at) => lines.with(at, lines[at].slice(0, lines[at].length / 2)),
  'indented once more': (lines, at) => lines.with(at, `  ${lines[at]}`),
  'indented once less': (lines, at) => lines.with(at, lines[at].replace(/^ {2}/, '')),
  'two lines changed over': (lines, at, next) => {
    const other = Math.floor(next() * lines.length)
    return lines.with(at, lines[other]).with(other, lines[at])
  },
  'another unit': (lines, at, next) =>
    lines.with(
      at,
      lines[at].replace(/ (Ω|V|mm|L\/min|min|s|bar|°C)\b/, () => ` ${pick(next, ['Ω', 'V', 'mm', 'kg', ''])}`),
    ),
  'a number gone wild': (lines, at, next) =>
    lines.with(
      at,
      lines[at].replace(/\d+(\.\d+)?/, () => pick(next, ['0', '-1', '1e9', 'NaN', ''])),
    ),
  'a word misspelt': (lines, at, next) =>
    lines.with(
      at,
      lines[at].replace(/[a-z]{4,}/, (w) => w.slice(1) + pick(next, ['', 'x', w[0]])),
    ),
  'a colon lost': (lines, at) => lines.with(at, lines[at].replace(':', '')),
  'a bracket lost': (lines, at) => lines.with(at, lines[at].replace(/[[\]{}]/, '')),
}

describe.each(Object.entries(SHEETS))('a mangled sheet, %s', (name, text) => {
  it.each(Object.keys(SLIPS))('%s: is right, or every mistake has its place and words; nothing is thrown', (slip) => {
    const next = random(name.length * 31 + slip.length)
    const lines = text.split('\n')
    for (let k = 0; k < 6; k++) {
      const mangled = SLIPS[slip](lines, Math.floor(next() * lines.length), next).join('\n')
      const read = readSheet(mangled, 'mangled.yaml', findShipped)
      if (!read.ok) {
        expect(read.problems.length).toBeGreaterThan(0)
        for (const p of read.problems) {
          const words = describeProblem(p)
          expect(words).toMatch(/^mangled\.yaml|^library|\.yaml/)
          expect(words, words).not.toMatch(/undefined|\[object|NaN: |TypeError/)
          if (p.place.file === 'mangled.yaml') {
            expect(p.place.line).toBeGreaterThanOrEqual(1)
            expect(p.place.line).toBeLessThanOrEqual(mangled.split('\n').length + 1)
          }
        }
        continue
      }
      // What is taken for right can be run: a run that does not end says so in words.
      try {
        const machine = buildMachine(read.value)
        const { programs } = machine
        simulate(makeFaultedMachine(machine), {
          steps: [{ at: 0, start: 0 }],
          until: programs[0].duration,
          stopsWhenFinal: true,
          moments: [],
        })
        if (k === 0) for (const p of checkRuns(buildCatalogue(machine))) expect(p.place.path.length).toBeGreaterThan(0)
      } catch (error) {
        expect(error, `${slip}: ${String(error)}`).toBeInstanceOf(InputError)
      }
    }
  })
})
