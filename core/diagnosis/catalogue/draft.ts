import type { MeasurementSpec, Part } from '../../model/kinds'
import type { Intervention, Machine } from '../../model/machine'
import { alternativeMeters } from '../../simulation/instrument'
import { measurementType, type Measurement } from '../../simulation/measurements'
import type { WorkMode } from '../../evidence'
import type { Loosening, Procedure, ReadingMoment, Timing } from './types'

/** Modes that a hand holds for a test, as interventions. */
export function handsOf(machine: Machine, part: Part, modes: Record<string, string> = {}): Intervention[] {
  return Object.entries(modes).map(([name, value]) => {
    const spec = machine.kinds[part.index].modes!.find((m) => m.name === name)!
    return { hold: { mode: part.mode[name], value: spec.values.indexOf(value) } }
  })
}

/** Minutes for what hands take off or put on, and on or off again. */
const LOOSENING: Partial<Record<Loosening['type'], number>> = { joint: 2.5, insert: 2.5, leads: 1, clips: 0.5 }

/** What a test of a part wants off or on: by how it is reached, and whether probes go to bare terminals. */
export function loosenedFor(part: Part, measurement: Measurement, { reach, when, id }: MeasurementSpec): Loosening[] {
  const port = 'port' in measurement ? measurement.port : Object.keys(part.ports)[0]
  const of = (type: Loosening['type'], number: number): Loosening => ({
    key: `${type[0]}${number}`,
    type,
    part: part.index,
    minutes: LOOSENING[type]!,
  })
  const type = measurementType(measurement)
  if (type.opens === 'water') return [of('joint', part.ports[port])]
  if (reach === 'joint') return [of('joint', part.ports[port]), of('insert', part.index)]
  if (type.opens !== 'terminals') return []
  if (type.takesLeadsOff?.(measurement)) return [of('leads', part.index)]
  // Clipped on dead, then read with the hands away: each reading by itself.
  return when === 'isolated' ? [] : [{ ...of('clips', part.index), key: `c${part.index}.${id}` }]
}

/** What hands do decides which safety steps come first. */
export function workModeOf(part: Part, spec: MeasurementSpec, measurement: Measurement, panels: boolean): WorkMode {
  const { opens } = measurementType(measurement)
  const off = spec.when === 'isolated'
  if (opens === 'water' || spec.reach) return 'water'
  if (opens === 'terminals' || panels) return off ? 'isolated' : 'energised'
  // A bleed or a plunger turned by hand lets pressure out; a lead put across terminals is live work.
  if (spec.held) return Object.keys(part.ports).length ? 'water' : 'energised'
  return 'observe'
}

export type Draft = Omit<Procedure, 'index' | 'key'>
export const panelsOf = (part: Part): string[] => (part.panel === undefined ? [] : [part.panel])

/** What every test of a measurement has, whatever the moment. */
export function common(machine: Machine, measurement: Measurement, at: ReadingMoment) {
  const type = measurementType(measurement)
  const meter = type.meter(measurement, machine, at.point)
  return {
    measurement,
    run: at.run,
    moment: at.moment,
    watch: undefined,
    timing: { type: 'at' as const, position: at.position } as Timing,
    shape: type.shape(measurement, machine),
    meter,
    alternativeMeters: alternativeMeters(meter),
    minutes: type.minutes,
    caution: undefined,
    destroys: undefined,
  }
}
