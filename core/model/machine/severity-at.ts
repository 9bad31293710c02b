import type { Severity } from '../sheet'

/**
 * The severity at a share of a range (of its logarithm on a log scale).
 *
 * @param u 0 at its lower end … 1 at its upper end
 * @example severityAt({ from: 1, to: 100, scale: 'log' }, 0.5) // 10
 */
export function severityAt({ from, to, scale }: Severity, u: number): number {
  return scale === 'log' ? Math.exp(Math.log(from) + u * (Math.log(to) - Math.log(from))) : from + u * (to - from)
}

/** Shares at which a range is tried where a low, a middle and a high severity will do. */
export const SEVERITY_SAMPLES = [1 / 6, 1 / 2, 5 / 6]
