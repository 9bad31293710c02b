/** A visit in a person's day. */
export interface LaneVisit {
  id: string
  /** Minutes since midnight by the clock on the wall. */
  start: number
  minutes: number
}

/** How a day is worked. */
export interface WorkDay {
  /** Minutes since midnight. */
  begins: number
  ends: number
  /** From one place to the next, min. */
  travel: number
}

/** Starts stand at such steps, min. */
const STEP = 5
const LAST = 1439

const rounded = (minute: number): number => Math.ceil(minute / STEP) * STEP

/** By their starts; of two at once the one that stood there first. */
export const inOrder = <T extends LaneVisit>(lane: readonly T[]): T[] => [...lane].sort((a, b) => a.start - b.start)

export type Clash = 'overlaps' | 'no-way-between' | 'before-work' | 'after-work'

/**
 * What cannot be in a person's day: two visits at once, no time to get from one to the next, one before work begins or past its end.
 * A visit is named with the first that is wrong with it; of two that clash the later is named.
 */
export function clashesIn(lane: readonly LaneVisit[], day: WorkDay): Map<string, Clash> {
  const clashes = new Map<string, Clash>()
  let busyUntil = -Infinity
  for (const v of inOrder(lane)) {
    const clash =
      v.start < busyUntil
        ? 'overlaps'
        : v.start < busyUntil + day.travel
          ? 'no-way-between'
          : v.start < day.begins
            ? 'before-work'
            : v.start + v.minutes > day.ends
              ? 'after-work'
              : undefined
    if (clash) clashes.set(v.id, clash)
    busyUntil = Math.max(busyUntil, v.start + v.minutes)
  }
  return clashes
}

/**
 * Puts a visit into a person's day at a place in its order: it begins when the one before it is done and the way is made, not before
 * work begins; those behind it move only as far as they must, those before it not at all.
 *
 * @param lane the others of that day
 * @param at how many of them come before it
 * @returns the whole lane with its starts, in order
 */
export function placeInLane(
  lane: readonly LaneVisit[],
  visit: { id: string; minutes: number },
  at: number,
  day: WorkDay,
): LaneVisit[] {
  const others = inOrder(lane)
  const before = others.slice(0, at)
  let free = Math.max(
    day.begins,
    before.reduce((until, v) => Math.max(until, v.start + v.minutes + day.travel), -Infinity),
  )
  const own = { ...visit, start: Math.min(LAST, rounded(free)) }
  free = own.start + own.minutes + day.travel
  const behind = others.slice(at).map((v) => {
    const start = v.start >= free ? v.start : Math.min(LAST, rounded(free))
    free = Math.max(free, start + v.minutes + day.travel)
    return { ...v, start }
  })
  return [...before, own, ...behind]
}

/** The first time of a day at which somebody is free for so long; `undefined` where there is none before work ends. */
export function firstFree(lane: readonly LaneVisit[], minutes: number, day: WorkDay): number | undefined {
  let free = day.begins
  for (const v of inOrder(lane)) {
    if (rounded(free) + minutes + day.travel <= v.start) break
    free = Math.max(free, v.start + v.minutes + day.travel)
  }
  const start = rounded(free)
  return start + minutes <= day.ends ? start : undefined
}

/** A visit is planned for what it will probably take, to the next quarter of an hour; half an hour at least. @param minutes of work */
export const visitLength = (minutes: number): number => Math.min(600, Math.max(30, Math.ceil(minutes / 15) * 15))
