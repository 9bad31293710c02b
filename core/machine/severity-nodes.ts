/**
 * Severities over which a fault is integrated: midpoints of equal parts of its range (of its logarithm on a log scale).
 *
 * @param count number of nodes, ≥ 1
 * @example severityNodes({ from: 1, to: 100, scale: 'log' }, 2) // [3.162…, 31.62…]
 */
export function severityNodes(range: { from: number; to: number; scale: 'log' | 'linear' }, count: number): number[] {
  const { from, to, scale } = range
  const [a, b] = scale === 'log' ? [Math.log(from), Math.log(to)] : [from, to]
  return Array.from({ length: count }, (_, i) => {
    const at = a + ((i + 0.5) / count) * (b - a)
    return scale === 'log' ? Math.exp(at) : at
  })
}
