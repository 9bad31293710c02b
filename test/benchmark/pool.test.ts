import { appendFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { playCalls, type CallRecord } from '../../benchmark/calls'
import { Journal } from '../../benchmark/journal'
import { pooledRows, wilson } from '../../benchmark/pool'

let folder: string
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'pool-'))))
afterEach(() => rmSync(folder, { recursive: true }))

const record = (n: number, solved: boolean): CallRecord => ({
  sheet: n % 2 ? 'one' : 'other',
  sort: 'single',
  policy: 'the advice',
  faults: ['f'],
  remedies: ['r'],
  played: {
    minutes: 10,
    tests: 3,
    live: 0,
    wrongParts: solved ? 0 : 1,
    wrongRepairs: 0,
    rightFirst: solved,
    solved,
    stated: 0.97,
    unexplained: false,
    verdict: true,
    undecided: false,
    named: [],
    remedy: 'r',
  },
})

describe('calls kept as they are played', () => {
  const plan = (played: number[]) =>
    Array.from({ length: 11 }, (_, n) => ({
      key: `call ${n}`,
      play: () => {
        played.push(n)
        return record(n, n !== 4)
      },
    }))
  it('are played once, in parts that leave nothing out and overlap nowhere, and a line cut short is played again', () => {
    const file = join(folder, 'calls.jsonl')
    const played: number[] = []
    for (const i of [1, 2, 3]) playCalls(plan(played), new Journal(file), { i, n: 3 })
    expect([...played].sort((a, b) => a - b)).toEqual(Array.from({ length: 11 }, (_, n) => n))
    expect(playCalls(plan(played), new Journal(file))).toHaveLength(11)
    expect(played).toHaveLength(11)
    // A stop in the middle of a line.
    const lines = readFileSync(file, 'utf8').trimEnd().split('\n')
    const cut = join(folder, 'cut.jsonl')
    appendFileSync(cut, `${lines.slice(0, -1).join('\n')}\n${lines.at(-1)!.slice(0, 40)}`)
    const again: number[] = []
    const journal = new Journal<CallRecord>(cut)
    expect(journal.results).toHaveLength(10)
    playCalls(plan(again), journal)
    expect(again).toHaveLength(1)
    expect(new Journal(cut).results).toHaveLength(11)
  })
  it('come to figures with their intervals, each call counting the same', () => {
    const rows = pooledRows(Array.from({ length: 11 }, (_, n) => record(n, n !== 4)))
    const row = (start: string) => rows.find((r) => r.what.startsWith(start))!
    expect(row('right repair in the end')).toMatchObject({ of: 11 })
    expect(row('right repair in the end').figure).toBeCloseTo((100 * 10) / 11, 9)
    expect(row('stated above 95 %').figure).toBeCloseTo(100 / 11, 9)
    expect(row('parts fitted in vain').figure).toBeCloseTo(100 / 11, 9)
    // Wilson 1927, as tabled: none of ten, five of ten, ten of ten.
    for (const [k, low, high] of [
      [0, 0, 27.75],
      [5, 23.66, 76.34],
      [10, 72.25, 100],
    ]) {
      expect(wilson(k, 10).low).toBeCloseTo(low, 1)
      expect(wilson(k, 10).high).toBeCloseTo(high, 1)
    }
  })
})
