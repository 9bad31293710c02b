import { EXACT, JUG, WATCH, refused, type Outcome, type Tool, type ToolField } from '../contract'

/** Straight line through points by least squares. @returns slope and where it meets the axis of y */
export function straightLine(points: readonly (readonly [number, number])[]): [slope: number, atZero: number] {
  const n = points.length
  const [mx, my] = [0, 1].map((k) => points.reduce((s, p) => s + p[k]!, 0) / n) as [number, number]
  const slope =
    points.reduce((s, [x, y]) => s + (x - mx) * (y - my), 0) / points.reduce((s, [x]) => s + (x - mx) ** 2, 0)
  return [slope, my - slope * mx]
}

/** Share by which an on-time may be off its setting, and a volume off what is wanted. */
const OFF = 0.08

/**
 * A timed output at three settings: seconds measured against seconds set, and the volume of each. Flow is the slope of volume over time,
 * the dead time is where the line meets no volume. On-time right and volume short is valve or water, on-time wrong is the timer.
 */
export const timedOutput: Tool = {
  id: 'timed-output',
  fields: [
    ...[1, 2, 3].flatMap((n): ToolField[] => [
      { id: `set${n}`, dimension: 'time', above: 0, most: 7200, accuracy: EXACT },
      { id: `on${n}`, dimension: 'time', above: 0, most: 7200, accuracy: WATCH },
      { id: `out${n}`, dimension: 'volume', least: 0, most: 1, accuracy: JUG },
    ]),
    { id: 'wanted', dimension: 'flow', optional: true, above: 0, most: 0.1, accuracy: { share: 0.08, step: 0 } },
  ],
  compute({ values }) {
    const rows = [1, 2, 3].map((n) => ({ set: values[`set${n}`]!, on: values[`on${n}`]!, out: values[`out${n}`]! }))
    const ons = rows.map((r) => r.on)
    if (Math.max(...ons) - Math.min(...ons) < 1) return refused('on2', 'same')
    const [flow, atZero] = straightLine(rows.map((r) => [r.on, r.out] as const))
    if (!(flow > 0)) return refused('out3', 'none')
    const late = rows.reduce((s, r) => s + r.on / r.set, 0) / 3
    const dead = -atZero / flow
    const outcomes: Outcome[] = [
      {
        id: 'late',
        dimension: 'ratio',
        value: late - 1,
        formula: 'mean of {on1} / {set1}, {on2} / {set2}, {on3} / {set3}, less 1',
      },
      { id: 'flow', dimension: 'flow', value: flow, formula: 'slope of volume over on-time' },
      { id: 'dead', dimension: 'time', value: dead, formula: 'where that line meets no volume' },
    ]
    const means = [Math.abs(late - 1) > OFF ? 'timer' : 'timer-right']
    const { wanted } = values
    if (wanted !== undefined) {
      outcomes.push({ id: 'short', dimension: 'ratio', value: flow / wanted - 1, formula: '{flow} / {wanted} − 1' })
      means.push(flow / wanted < 1 - OFF ? 'water-short' : flow / wanted > 1 + OFF ? 'water-much' : 'water-right')
    }
    return {
      outcomes,
      means,
      problems: [],
      chart: {
        x: { id: 'on', dimension: 'time' },
        y: { id: 'out', dimension: 'volume' },
        points: rows.map((r) => [r.on, r.out] as const),
        line: [
          [Math.max(0, dead), Math.max(0, atZero)],
          [Math.max(...ons), atZero + flow * Math.max(...ons)],
        ],
      },
    }
  },
}
