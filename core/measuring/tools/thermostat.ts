import { THERMOMETER, refused, type Outcome, type Tool } from '../contract'

/** A thermostat or cut-out by where it opened and closed again: what that proves of it, and what it does not. */
export const thermostat: Tool = {
  id: 'thermostat',
  fields: [
    { id: 'rated', dimension: 'temperature', least: -40, most: 400, accuracy: { share: 0, step: 0 } },
    { id: 'within', dimension: 'kelvin', above: 0, most: 60, accuracy: { share: 0, step: 0 } },
    { id: 'reached', dimension: 'temperature', least: -40, most: 400, accuracy: THERMOMETER },
    { id: 'opened', dimension: 'temperature', optional: true, least: -40, most: 400, accuracy: THERMOMETER },
    { id: 'closed', dimension: 'temperature', optional: true, least: -40, most: 400, accuracy: THERMOMETER },
  ],
  compute({ values }) {
    const { rated, within, reached, opened, closed } = values as Record<string, number>
    if (opened !== undefined && opened > reached) return refused('opened', 'contradicts')
    if (opened !== undefined && closed !== undefined && closed >= opened) return refused('closed', 'swapped')
    const outcomes: Outcome[] = [
      { id: 'short', dimension: 'kelvin', value: reached - rated, formula: '{reached} − {rated}' },
    ]
    const means: string[] = []
    if (opened === undefined) {
      if (reached < rated - within) means.push('not-early')
      else means.push(reached < rated + within ? 'not-shown' : 'stays-closed')
    } else {
      outcomes.push({ id: 'off', dimension: 'kelvin', value: opened - rated, formula: '{opened} − {rated}' })
      means.push(Math.abs(opened - rated) <= within ? 'opens-right' : opened < rated ? 'opens-early' : 'opens-late')
      if (closed !== undefined)
        outcomes.push({ id: 'difference', dimension: 'kelvin', value: opened - closed, formula: '{opened} − {closed}' })
    }
    return { outcomes, means, problems: [] }
  },
}
