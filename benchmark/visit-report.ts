import { MOST_SHIFT, type TurnMeasure } from '../test/browser/measure'
import type { FirstAdvice } from './first-advice'
import { printRows, type Row } from './table'
import type { Played } from './visit-call'

/** Times of a run whose calibration differs by more than this share say little. */
const BUSY_FROM = 0.2

/** What the turns of the calls played come to; nothing where none was played. */
function turnRows(played: readonly Played[]): Row[] {
  if (!played.length) return []
  const turns = played.flatMap((p) => p.turns)
  const share = (of: (t: TurnMeasure) => boolean) => (100 * turns.filter(of).length) / Math.max(1, turns.length)
  const total = (of: (t: TurnMeasure) => number) => turns.reduce((s, t) => s + of(t), 0)
  const stops = played.flatMap((p) => p.stops)
  return [
    { what: 'act and how at hand', figure: share((t) => t.atHand), unit: '%', least: 100, of: turns.length },
    { what: 'layout shift, worst turn', figure: Math.max(0, ...turns.map((t) => t.shift)), unit: '', most: MOST_SHIFT },
    {
      what: 'turns that shift more',
      figure: turns.filter((t) => t.shift > MOST_SHIFT).length,
      unit: '',
      most: 0,
      of: turns.length,
    },
    { what: 'questions exchanged', figure: total((t) => t.exchanged), unit: '', most: 0, of: turns.length },
    { what: 'links contradicting suspects', figure: total((t) => t.contradictions.length), unit: '', most: 0 },
    { what: 'labels cut or overlapping', figure: total((t) => t.labels.length), unit: '', most: 0 },
    { what: 'lines behind foreign boxes', figure: total((t) => t.lines), unit: '', most: 0 },
    { what: 'axe violations', figure: played.reduce((s, p) => s + p.axe.length, 0), unit: '', most: 0 },
    {
      what: 'least contrast of a line',
      figure: Math.min(21, ...played.map((p) => p.contrast)),
      unit: '',
      least: 3,
    },
    { what: 'most Tab stops before the act', figure: Math.max(0, ...stops), unit: '', most: 5, of: stops.length },
    {
      what: 'answers entered by a second tap',
      figure: played.reduce((s, p) => s + p.extra, 0),
      unit: '',
      most: 0,
      of: played.reduce((s, p) => s + p.doubled, 0),
    },
    {
      what: 'longest task while typing',
      figure: Math.max(0, ...played.map((p) => p.typing)),
      unit: 'ms',
      most: 50,
    },
    {
      what: 'longest task while answering',
      figure: Math.max(0, ...played.map((p) => p.longest)),
      unit: 'ms',
      most: 50,
    },
  ]
}

/** The first advice of a machine, with what the fixed loop took just before, ms, and the taps to the first reading. */
export interface TimedAdvice extends FirstAdvice {
  sheet: string
  calibration: number
  taps: number
}

/** How long each entry took to stand before the other person on the job, ms. */
export interface News {
  delays: number[]
}

/** Prints the table of what was played and timed. @param delays see `News` */
export function report(
  seed: number,
  played: readonly Played[],
  timed: readonly TimedAdvice[],
  delays: readonly number[],
): void {
  const turns = played.flatMap((p) => p.turns)
  const calibrations = timed.map((t) => t.calibration)
  const spread = (Math.max(...calibrations) - Math.min(...calibrations)) / Math.min(...calibrations)
  printRows(`${played.length} calls, ${turns.length} turns, seed ${seed}`, [
    ...turnRows(played),
    ...timed.flatMap(({ sheet, begun, opened }) => [
      { what: `${sheet}: first advice from the call, slowed`, figure: begun, unit: 'ms', most: 3000 },
      { what: `${sheet}: the same from nothing, slowed`, figure: opened, unit: 'ms', most: 3000 },
    ]),
    ...(timed.length
      ? [{ what: 'most taps to the first reading', figure: Math.max(...timed.map((t) => t.taps)), unit: '', most: 5 }]
      : []),
    ...(delays.length
      ? [
          {
            what: 'entry of another person, slowest',
            figure: Math.max(...delays),
            unit: 'ms',
            most: 1000,
            of: delays.length,
          },
        ]
      : []),
    ...(timed.length ? [{ what: 'spread of the calibration loop', figure: 100 * spread, unit: '%' }] : []),
    { what: 'calls played to their end', figure: played.filter((p) => p.ended).length, unit: '', of: played.length },
  ])
  if (timed.length && spread > BUSY_FROM) console.log('  machine busy: the times of this run say little')
  const said = new Set(
    played.flatMap((p) => [
      ...p.axe.map((a) => `${p.size} ${p.look}: axe ${a}`),
      ...p.turns.flatMap((t) => [...t.contradictions, ...t.labels].map((x) => `${p.sheet} ${p.size}: ${x}`)),
      ...p.turns.flatMap((t, i) => (t.atHand ? [] : [`${p.sheet} ${p.size}: not at hand at turn ${i + 1}`])),
      ...p.turns.flatMap((t, i) =>
        t.shift > MOST_SHIFT
          ? [`${p.sheet} ${p.size}: shift ${t.shift.toFixed(3)} at turn ${i + 1}: ${t.moved.slice(0, 3).join('; ')}`]
          : [],
      ),
    ]),
  )
  for (const line of [...said].slice(0, 60)) console.log(`  ${line}`)
}
