import { CLAMP, EXACT, METER, refused, type Outcome, type Tool } from '../contract'

/** A transformer without load and with it: what it falls by, what stands inside it, what it carries of its plate. */
export const transformer: Tool = {
  id: 'transformer',
  fields: [
    { id: 'unloaded', dimension: 'voltage', above: 0, most: 1000, accuracy: METER },
    { id: 'loaded', dimension: 'voltage', least: 0, most: 1000, accuracy: METER },
    { id: 'amps', dimension: 'current', above: 0, most: 1000, accuracy: CLAMP },
    { id: 'plate', dimension: 'power', optional: true, above: 0, most: 1e5, accuracy: EXACT },
  ],
  compute({ values }) {
    const { unloaded, loaded, amps, plate } = values as Record<string, number>
    if (loaded > unloaded) return refused('loaded', 'swapped')
    const load = loaded * amps
    const outcomes: Outcome[] = [
      {
        id: 'falls',
        dimension: 'ratio',
        value: (unloaded - loaded) / loaded,
        formula: '({unloaded} − {loaded}) / {loaded}',
      },
      {
        id: 'inside',
        dimension: 'resistance',
        value: (unloaded - loaded) / amps,
        formula: '({unloaded} − {loaded}) / {amps}',
      },
      { id: 'load', dimension: 'power', value: load, formula: '{loaded} × {amps}' },
    ]
    const means: string[] = []
    if (plate !== undefined) {
      outcomes.push({ id: 'used', dimension: 'ratio', value: load / plate, formula: '{load} / {plate}' })
      means.push(load > 1.05 * plate ? 'overloaded' : (unloaded - loaded) / loaded > 0.25 ? 'weak' : 'carries')
    } else means.push((unloaded - loaded) / loaded > 0.25 ? 'weak-or-overloaded' : 'carries')
    return { outcomes, means, problems: [] }
  },
}
