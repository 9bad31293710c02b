/** Width of the bracket within which an event is found, s. */
export const TIME_TOLERANCE = 1e-5

/**
 * Goes back within a step to the first instant at which one of some checks is true, by bisection to 10 µs. At the end of
 * the step one of them must be.
 *
 * @param duration of the step, s
 * @param moveTo puts the run at a share of the step, 0 … 1
 * @returns the share of the step at which the run now stands; at 1 the run stands anywhere before it, and the caller puts it
 * at the end that it knows exactly
 */
export function bisectEvent(
  checks: readonly (() => boolean)[],
  duration: number,
  moveTo: (share: number) => void,
): number {
  let [low, high] = [0, 1]
  while ((high - low) * duration > TIME_TOLERANCE) {
    const middle = (low + high) / 2
    moveTo(middle)
    if (checks.some((check) => check())) high = middle
    else low = middle
  }
  if (high < 1) moveTo(high)
  return high
}
