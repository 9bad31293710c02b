import type { Machine } from '../../model/machine'
import { METERS, type Meter } from '../../simulation/instrument'

/** Severities that one hypothesis may have: one per fault of a pair. */
const SEVERITIES = 2

/**
 * The numbering of what readings share in a visit: the machine's parameters first, then the gain of each meter, two
 * severities, and the spreads that groups of parameters have in common. Each is standard normal.
 */
export class SharedParams {
  readonly count: number
  private readonly params: number

  constructor(machine: Machine) {
    this.params = machine.params.length
    this.count = this.params + METERS.length + SEVERITIES + machine.spreadGroups
  }
  gain(meter: Meter): number {
    return this.params + METERS.indexOf(meter)
  }
  severity(slot: number): number {
    return this.params + METERS.length + slot
  }
  spread(group: number): number {
    return this.severity(SEVERITIES) + group
  }
}
