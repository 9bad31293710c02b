import type { Course, Cue, ExpectedRun, Mark, Span } from './contract'

export type CueState = 'coming' | 'due' | 'late' | 'seen' | 'missing'

/** A cue as the run stands. */
export interface FollowedCue extends Cue {
  state: CueState
  /** When it is expected now, s since the start: moved by what the run is early or late by. */
  expected: number
  /** The beginning of its window, moved likewise, s. */
  from: number
  /** The end of its window, moved likewise, s. */
  until: number
  mark: Mark | undefined
}

/** A hand and an eye take so long, s. */
export const HAND = 1
/** Nobody is told that something is late before they could have marked it, s. */
const GRACE = 5

/** Whether a mark is about this cue. */
const isOf = (cue: Cue, m: Mark): boolean =>
  m.lane === cue.lane && m.nth === cue.nth && (m.turn === cue.turn || (m.turn === 'not' && cue.turn === 'on'))

/**
 * Each cue of a run as it stands: seen, missing, due, late or still coming. Where the phase before it was marked, it is waited for from
 * there on; else what was marked last moves all that follows: a fill that took a minute longer makes the wash come a minute later.
 */
export function followCues({ cues }: Pick<ExpectedRun, 'cues'>, { marks, now }: Course): FollowedCue[] {
  let shift = 0
  return cues.map((cue) => {
    const mark = marks.findLast((m) => isOf(cue, m))
    const { since } = cue
    const begun = since && marks.findLast((m) => m.lane === since.lane && m.turn === 'on' && m.nth === since.nth)
    const [expected, early, late] = begun
      ? [begun.seconds + since.at, begun.seconds + since.early, begun.seconds + since.late]
      : [cue.at + shift, cue.early + shift, cue.late + shift]
    const until = late + GRACE
    if (mark && mark.turn !== 'not') shift = mark.seconds - cue.at
    const state = ((): CueState => {
      if (mark) return mark.turn === 'not' ? 'missing' : 'seen'
      if (now > until) return 'late'
      return now >= early - HAND ? 'due' : 'coming'
    })()
    return { ...cue, state, expected: Math.max(0, expected), from: Math.max(0, early), until, mark }
  })
}

/** What has been noticed of one lane, from turn to turn; what still goes on ends at `now`. */
export function markedSpans(lane: string, { marks, now }: Pick<Course, 'marks' | 'now'>): Span[] {
  const spans: Span[] = []
  let from: number | undefined
  const own = marks.filter((m) => m.lane === lane && m.turn !== 'not').sort((a, b) => a.seconds - b.seconds)
  for (const { turn, seconds } of own) {
    if (turn === 'on') from ??= seconds
    else if (from !== undefined) {
      spans.push({ from, to: seconds })
      from = undefined
    }
  }
  if (from !== undefined) spans.push({ from, to: Math.max(from, now) })
  return spans
}

/** A phase goes on until another begins. */
export function markedPhases(
  { phases, stops }: Pick<ExpectedRun, 'phases' | 'stops'>,
  { marks, now }: Pick<Course, 'marks' | 'now'>,
): Span[] {
  const titles = new Map([...phases, ...stops].map((p) => [p.id, p.title]))
  const begun = marks.filter((m) => m.turn === 'on' && titles.has(m.lane)).sort((a, b) => a.seconds - b.seconds)
  return begun.map((m, i) => ({
    from: m.seconds,
    to: begun[i + 1]?.seconds ?? Math.max(now, m.seconds),
    title: titles.get(m.lane)!,
  }))
}

/** The next thing that is waited for and has not been noticed; `undefined` when nothing is. */
export const nextCue = (cues: readonly FollowedCue[]): FollowedCue | undefined =>
  cues
    .filter((c) => c.state === 'coming' || c.state === 'due' || c.state === 'late')
    .sort((a, b) => a.expected - b.expected)[0]
