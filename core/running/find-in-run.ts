import type { ReadingValue } from '../foundation/quantity'
import type { Course, ExpectedRun, Mark, MarkedTest, RunFinding } from './contract'
import { HAND } from './follow-run'

/** A stop-watch in a hand reads no finer, s. */
const STEP = 0.1
const seconds = (s: number): number => Math.round(s / STEP) / Math.round(1 / STEP)

const asRead = (value: ReadingValue): string => {
  switch (value.type) {
    case 'value':
      return `${value.si} s`
    case 'longer-than':
      return `> ${value.si} s`
    case 'never':
      return 'never began'
    case 'never-ended':
      return 'never ended'
    default:
      return value.type
  }
}

/** How long something lasted that began with one mark and ended with another, if it has; `undefined` while nothing can be said. */
function lengthOf(begin: Mark | undefined, end: Mark | undefined, missing: boolean, longest: number, c: Course) {
  if (!begin) return missing ? ({ type: 'never' } as const) : undefined
  if (end) return { type: 'value', si: seconds(Math.max(0, end.seconds - begin.seconds)) } as const
  const so = c.now - begin.seconds
  if (!c.over) return undefined
  // Broken off before it could have ended says only that it lasted so long.
  return so > longest + HAND
    ? ({ type: 'never-ended' } as const)
    : ({ type: 'longer-than', si: seconds(Math.max(0, so)) } as const)
}

function valueOf(test: MarkedTest, isPhase: (lane: string) => boolean, c: Course): ReadingValue | undefined {
  const of = (turn: Mark['turn'], nth: number) =>
    c.marks.findLast((m) => m.lane === test.lane && m.turn === turn && m.nth === nth)
  if (test.type === 'sensed') {
    if (of('on', test.nth)) return { type: 'yes' }
    return of('not', test.nth) ? { type: 'no' } : undefined
  }
  const nth = test.type === 'length' ? 0 : test.nth
  const begin = of('on', nth)
  const after = (m: Mark) => begin !== undefined && m.seconds > begin.seconds
  const ends = c.marks.filter(
    (m) =>
      after(m) &&
      (test.type === 'length'
        ? m.turn === 'on' && isPhase(m.lane) && m.lane !== test.lane
        : m.lane === test.lane && m.turn === 'off'),
  )
  const end = ends.reduce<Mark | undefined>((a, b) => (a && a.seconds <= b.seconds ? a : b), undefined)
  return lengthOf(begin, end, of('not', nth) !== undefined, test.longest, c)
}

/**
 * The phase that came in the place of another that nobody marked: that before it and one after it were seen to begin, one right after the
 * other. `undefined` where the order says nothing.
 */
function cameInstead(lane: string, phases: ExpectedRun['phases'], { marks }: Course): string | undefined {
  const order = [...phases].sort((a, b) => (a.spans[0]?.from ?? 0) - (b.spans[0]?.from ?? 0))
  const place = order.findIndex((p) => p.id === lane)
  const seen = marks
    .filter((m) => m.turn !== 'off' && order.some((p) => p.id === m.lane))
    .sort((a, b) => a.seconds - b.seconds)
  if (place < 1 || seen.some((m) => m.lane === lane)) return undefined
  const next = seen.findIndex((m) => m.turn === 'on' && order.findIndex((p) => p.id === m.lane) > place)
  const before = seen[next - 1]
  return before?.turn === 'on' && before.lane === order[place - 1]!.id
    ? order.find((p) => p.id === seen[next]!.lane)!.title
    : undefined
}

/**
 * What the marks of a run say of the tests of its machine, each as it would be typed on its card. What was neither noticed nor missed says
 * nothing.
 */
export function findInRun(
  { tests, phases, stops }: Pick<ExpectedRun, 'tests' | 'phases' | 'stops'>,
  course: Course,
): RunFinding[] {
  const ids = new Set([...phases, ...stops].map((p) => p.id))
  return tests.flatMap((test) => {
    const value = valueOf(test, (lane) => ids.has(lane), course)
    if (value) return [{ test: test.test, title: test.title, value, text: asRead(value) }]
    const instead = test.type === 'length' ? cameInstead(test.lane, phases, course) : undefined
    const never: ReadingValue = { type: 'never' }
    return instead === undefined
      ? []
      : [{ test: test.test, title: test.title, value: never, text: asRead(never), instead }]
  })
}
