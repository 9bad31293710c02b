import type { Watched } from '../simulate'

/** What is on, or off, for less than this is not noticed by somebody who watches, s, unless there is no more to see. */
const NOTICED_FROM = 1

/** Whether so many seconds of a watch are noticed. */
const isSeen = (part: number, seconds: number): boolean => part >= Math.min(NOTICED_FROM, seconds / 2)

/** Whether somebody who watches through a stretch notices the signal. */
export const isNoticed = ({ seconds, on, ever }: Watched): boolean => ever && isSeen(on, seconds)

/** Whether it is there for all of the stretch, as far as anybody would notice. */
export const isThroughout = (watched: Watched): boolean => {
  const off = watched.seconds - watched.on
  return isNoticed(watched) && watched.last && !(off > 0 && isSeen(off, watched.seconds))
}
