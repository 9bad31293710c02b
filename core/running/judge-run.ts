import type { Course, Cue, ExpectedRun } from './contract'
import { followCues, HAND, type FollowedCue } from './follow-run'

/** What became of one thing that a good machine does. */
export interface Criterion extends Pick<Cue, 'lane' | 'turn' | 'nth' | 'title'> {
  /** Its window, s since the start, moved by what the run was early or late by. */
  from: number
  to: number
  /** When it was noticed; absent where it was not. */
  at?: number
  /** `unwatched`: nobody said anything about it. */
  state: 'passed' | 'early' | 'late' | 'missing' | 'unwatched'
  /** It tells whether the repair did: what was suspected would have changed it. */
  tells: boolean
}

/** What a watched cycle comes to. */
export interface CycleVerdict {
  criteria: Criterion[]
  /**
   * `passed`: what tells came in its time and nothing else was missed or off; `failed`: something was; `open`: what tells was not
   * watched, or the run goes on.
   */
  as: 'passed' | 'failed' | 'open'
}

/** A good machine turns in a window of so much of its width more to each side, in a run of many turns: from 2.5 standard deviations to 4. */
const MANY = 0.3
/** Turns closer than this come in one moment, and a hand takes so long over each, s. */
const MOMENT = 2
const EACH = 4

/** Whether a suspect would have made a turn come another time, or not at all. */
const changes = ({ suspects, early, late }: Cue, suspect: number): boolean => {
  const own = suspects[suspect]
  return own !== undefined && (own.at === undefined || own.at < early - HAND || own.at > late + HAND)
}
const isPhase = ({ lane, turn }: Cue): boolean => lane.startsWith('phase:') && turn === 'on'

/**
 * What has to be seen: of each suspect the first thing that it would have changed, a phase before anything else, and the last phase. One
 * that came in its time takes that suspect away; where there are no suspects the phases say that it works.
 */
function tellingCues(cues: readonly FollowedCue[]): Set<FollowedCue> {
  const phases = cues.filter(isPhase)
  const suspects = Math.max(0, ...cues.map((c) => c.suspects.length))
  const first = Array.from({ length: suspects }, (_, k) => {
    const changed = cues.filter((c) => changes(c, k))
    return changed.find(isPhase) ?? changed[0]
  }).filter((c) => c !== undefined)
  const last = phases.at(-1)
  const all = [...(first.length ? first : phases), ...(last ? [last] : [])]
  return new Set(all.length ? all : cues)
}

/**
 * The window of a turn: from the start of the run or from what was noted before it, whichever is wider. A hand that was slow to note one
 * thing has not made the next one early.
 *
 * @param together turns that come in the same moment: a hand notes one after another
 */
function windowOf({ early, late, from, until }: FollowedCue, together: number): [from: number, to: number] {
  const [first, last] = [Math.min(early, from), Math.max(late + HAND, until)]
  const more = MANY * (last - first)
  return [Math.max(0, first - more), last + more + EACH * (together - 1)]
}

function judge(cue: FollowedCue, tells: boolean, together: number): Criterion {
  const { lane, turn, nth, title, mark } = cue
  const [from, to] = windowOf(cue, together)
  const state = ((): Criterion['state'] => {
    if (!mark) return 'unwatched'
    if (mark.turn === 'not') return 'missing'
    if (mark.seconds < from - HAND) return 'early'
    return mark.seconds > to + HAND ? 'late' : 'passed'
  })()
  return { lane, turn, nth, title, from, to, ...(mark ? { at: mark.seconds } : {}), state, tells }
}

/**
 * Whether a watched run shows a good machine: each turn that was noted against the window in which good ones turn. Those that take a
 * suspect away have to be seen; nothing that was waited for may be missing.
 */
export function judgeRun(expected: Pick<ExpectedRun, 'cues'>, course: Course): CycleVerdict {
  const cues = followCues(expected, course)
  const must = tellingCues(cues)
  const togetherWith = (cue: FollowedCue) => cues.filter((c) => Math.abs(c.at - cue.at) <= MOMENT).length
  const criteria = cues.map((c) => judge(c, must.has(c), togetherWith(c)))
  const wrong = criteria.some((c) => c.state === 'missing' || c.state === 'late' || c.state === 'early')
  const unseen = criteria.some((c) => c.tells && c.state === 'unwatched')
  return { criteria, as: wrong ? 'failed' : course.over && !unseen ? 'passed' : 'open' }
}
