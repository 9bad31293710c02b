/** Clocks of one device may differ by so much without anybody having set them, s. */
const DRIFT = 2

/** How long ago a run was started, by two clocks. */
export interface RunClocks {
  /** By the device's clock and the stamp of the start, s. */
  wall: number
  /** By a clock that nobody sets, s; `undefined` where this page was not there at the start and has not looked at it since. */
  steady: number | undefined
  /** Whether the device may have slept since: its steady clock may have stood still. */
  slept: boolean
}

export interface RunTime {
  /** s since the start; `undefined` where no clock can tell. */
  seconds: number | undefined
  /** What somebody did to the device's clock meanwhile. */
  trouble: 'set-back' | 'set-forward' | 'before-start' | undefined
}

/**
 * How long a run has gone on. The steady clock counts while the page lives; after a reload, on another device and after sleep the stamp of
 * the start does.
 */
export function runTime({ wall, steady, slept }: RunClocks): RunTime {
  if (steady === undefined) {
    // The start lies in the future: one of two clocks is wrong, by more than devices differ.
    if (wall < -DRIFT) return { seconds: undefined, trouble: 'before-start' }
    return { seconds: Math.max(0, wall), trouble: undefined }
  }
  if (wall < steady - DRIFT) return { seconds: steady, trouble: 'set-back' }
  if (wall > steady + DRIFT)
    return slept ? { seconds: wall, trouble: undefined } : { seconds: steady, trouble: 'set-forward' }
  return { seconds: steady, trouble: undefined }
}
