import { QUALITY_AIMS } from './aims'
import type { CallRecord } from './calls'
import { notMisled, playedOf } from './quality'
import type { Row } from './table'

/** Half the width of 95 % of a normal distribution, standard deviations. */
const Z = 1.96

/** Wilson's interval of a share, %: k of n, 95 %. Holds at 0 and n too (Wilson 1927). */
export function wilson(k: number, n: number): { low: number; high: number } {
  if (n === 0) return { low: 0, high: 100 }
  const p = k / n
  const centre = p + Z ** 2 / (2 * n)
  const half = Z * Math.sqrt((p * (1 - p)) / n + Z ** 2 / (4 * n ** 2))
  const over = 1 + Z ** 2 / n
  return { low: (100 * (centre - half)) / over, high: (100 * (centre + half)) / over }
}

/** What all calls of all sheets came to, each call counting the same, with 95 % intervals; and how many there should be. */
export function pooledRows(records: readonly CallRecord[]): Row[] {
  const of = (sort: CallRecord['sort']) => playedOf(records, sort, 'the advice')
  const [singles, pairs, wrongSheet] = [of('single'), of('pair'), of('wrong-sheet')]
  const left = records.filter((r) => (r.sort === 'left-out' || r.sort === 'unlisted') && r.played)
  const row = <T>(
    what: string,
    list: readonly T[],
    is: (x: T) => boolean,
    aim: Pick<Row, 'most' | 'least'> = {},
  ): Row => {
    const k = list.filter(is).length
    return {
      what,
      figure: (100 * k) / list.length,
      unit: '%',
      of: list.length,
      interval: wilson(k, list.length),
      ...aim,
    }
  }
  const sure = singles.filter((x) => x.stated > 0.95)
  const wrongSure = wrongSheet.filter((x) => x.stated > 0.95)
  const parts = singles.reduce((sum, x) => sum + x.wrongParts, 0)
  return [
    { what: 'calls with one fault', figure: singles.length, unit: '', least: QUALITY_AIMS.pooled.singles },
    { what: 'calls with two', figure: pairs.length, unit: '', least: QUALITY_AIMS.pooled.pairs },
    {
      what: 'calls with a fault that the sheet has not',
      figure: left.length,
      unit: '',
      least: QUALITY_AIMS.pooled.unlisted,
    },
    row('right repair in the end', singles, (x) => x.solved, { least: QUALITY_AIMS.right }),
    row('right repair chosen first', singles, (x) => x.rightFirst),
    row('both of two right in the end', pairs, (x) => x.solved, { least: QUALITY_AIMS.pairs }),
    row('stated above 95 %, and wrong', sure, (x) => !x.rightFirst, { most: QUALITY_AIMS.sureAndWrong }),
    row('the same, sheet values wrong by 20 %', wrongSure, (x) => !x.rightFirst, { most: QUALITY_AIMS.wrongSheet }),
    row('not on the sheet: noticed, or put right all the same', left, notMisled, { least: QUALITY_AIMS.noticed }),
    row('not on the sheet: no cause said to stand', left, (r) => !r.played!.verdict),
    row('listed, and said to fit nothing', singles, (x) => x.unexplained, { most: QUALITY_AIMS.noFit }),
    {
      what: 'parts fitted in vain, of 100 calls',
      figure: (100 * parts) / singles.length,
      unit: '',
      of: singles.length,
      most: QUALITY_AIMS.inVain,
    },
    ...ratioRows(records),
  ]
}

/** Minutes of the advice against the best named order of each sheet, over the calls that were played under all of them. */
function ratioRows(records: readonly CallRecord[]): Row[] {
  const policies = [...new Set(records.map((r) => r.policy))]
  const named = policies.filter((p) => p !== 'the advice' && p !== 'literal checklist')
  if (!named.length) return []
  const sheets = [...new Set(records.map((r) => r.sheet))]
  const minutes = (sheet: string, policy: string) =>
    playedOf(
      records.filter((r) => r.sheet === sheet),
      'single',
      policy,
    ).map((x) => x.minutes)
  const sum = (list: readonly number[]) => list.reduce((s, x) => s + x, 0)
  let [advice, best, calls] = [0, 0, 0]
  for (const sheet of sheets) {
    const others = named.map((p) => minutes(sheet, p)).filter((list) => list.length)
    if (!others.length) continue
    // The drawn calls come first, under every policy.
    const [count] = others.map((list) => list.length)
    advice += sum(minutes(sheet, 'the advice').slice(0, count))
    best += Math.min(...others.map(sum))
    calls += count
  }
  if (!calls) return []
  return [
    {
      what: 'minutes against the best named order',
      figure: advice / best,
      unit: '',
      of: calls,
      most: QUALITY_AIMS.ofNamed,
    },
  ]
}
