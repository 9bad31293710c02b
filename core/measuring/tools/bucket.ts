import { GAUGE, JUG, WATCH, refused, type Outcome, type Tool } from '../contract'

/** Share of the flow that a screen may take. */
const SCREEN_TAKES = 0.15

/**
 * Volume over time at the hose. With the pressure still and flowing: what the supply has to give, and what is left for a machine that
 * needs a pressure of its own. With the screen out and again: what the screen takes.
 */
export const bucket: Tool = {
  id: 'bucket',
  fields: [
    { id: 'litres', dimension: 'volume', above: 0, most: 1, accuracy: JUG },
    { id: 'seconds', dimension: 'time', above: 0, most: 3600, accuracy: WATCH },
    { id: 'still', dimension: 'pressure', optional: true, above: 0, most: 20e5, accuracy: GAUGE },
    { id: 'flowing', dimension: 'pressure', optional: true, least: 0, most: 20e5, accuracy: GAUGE },
    { id: 'needed', dimension: 'pressure', optional: true, least: 0, most: 20e5, accuracy: { share: 0, step: 0 } },
    { id: 'screenless', dimension: 'time', optional: true, above: 0, most: 3600, accuracy: WATCH },
    { id: 'fill', dimension: 'volume', optional: true, above: 0, most: 1, accuracy: { share: 0.05, step: 0 } },
  ],
  compute({ values }) {
    const { litres, seconds, still, flowing, needed, screenless, fill } = values as Record<string, number>
    const flow = litres / seconds
    const outcomes: Outcome[] = [
      { id: 'flow', dimension: 'flow', reads: true, value: flow, formula: '{litres} / {seconds}' },
    ]
    const means: string[] = []
    if (still !== undefined && flowing !== undefined) {
      if (flowing >= still) return refused('flowing', 'swapped')
      // Turbulent: what is lost goes with the square of the flow.
      const atOneBar = flow / Math.sqrt((still - flowing) / 1e5)
      outcomes.push({
        id: 'kv',
        dimension: 'flow',
        value: atOneBar,
        formula: '{flow} / √(({still} − {flowing}) / 1 bar)',
      })
      if (needed !== undefined) {
        if (needed >= still) return refused('needed', 'too-large')
        outcomes.push({
          id: 'left',
          dimension: 'flow',
          value: atOneBar * Math.sqrt((still - needed) / 1e5),
          formula: '{kv} × √(({still} − {needed}) / 1 bar)',
        })
      }
      means.push(flowing < 0.3 * still ? 'supply-starves' : 'supply-holds')
    }
    if (screenless !== undefined) {
      const without = litres / screenless
      outcomes.push({ id: 'without', dimension: 'flow', value: without, formula: '{litres} / {screenless}' })
      outcomes.push({ id: 'taken', dimension: 'ratio', value: 1 - flow / without, formula: '1 − {flow} / {without}' })
      means.push(1 - flow / without > SCREEN_TAKES ? 'screen' : 'not-the-screen')
    }
    if (fill !== undefined)
      outcomes.push({ id: 'fills', dimension: 'time', value: fill / flow, formula: '{fill} / {flow}' })
    return { outcomes, means, problems: [] }
  },
}
