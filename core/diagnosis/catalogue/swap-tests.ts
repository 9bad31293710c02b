import type { MeasurementSpec, Part } from '../../model/kinds'
import type { Machine } from '../../model/machine'
import type { Measurement } from '../../simulation/measurements'
import { common, panelsOf, type Draft } from './draft'
import { siblingOf } from './sibling'
import { isActive, type TestPlacement } from './test-placement'
import type { HealthyRuns } from './types'

/** Minutes for leads that change places, and back again. */
const SWAP_MINUTES = 2

type Look = MeasurementSpec & { type: 'sense' }

/** What is seen or heard of a part while it is called; the last that a kind names is what comes of it in the end. */
function lookOf({ kinds }: Machine, part: Part): Look | undefined {
  const offered = kinds[part.index].measurements?.(part) ?? []
  return offered
    .filter((m): m is Look => m.type === 'sense' && m.when === 'active' && m.sense !== 'hand' && !m.held)
    .at(-1)
}

/**
 * The leads of a part and of its sibling change places, and the sibling is called: what stays away then lies in the part itself, what
 * comes shows that its own leads bring nothing.
 */
export function swapTests(runs: HealthyRuns, placement: TestPlacement): Draft[] {
  const { machine } = runs
  return machine.parts.flatMap((part): Draft[] => {
    const sibling = siblingOf(machine, part)
    const look = lookOf(machine, part)
    const at = sibling && look && placement.momentFor(sibling, look)
    if (!at || at.position.type !== 'phase' || isActive(machine, part, at.point)) return []
    const measurement: Measurement = { ...look, id: 'swapped', part: part.index, leadsOf: sibling.index }
    const { program } = runs.runs[at.run]
    const run = runs.addRun(program, [{ leads: [part.index, sibling.index] }], at.moment)
    const { phase } = at.position
    return [
      {
        ...common(machine, measurement, at),
        id: `${part.id}.swapped`,
        run,
        watch: runs.addWatch(run, { through: { type: 'phase', phase }, part: part.index, signal: look.signal }),
        timing: { type: 'through-phase', phase },
        // The panel is open and bare plugs stand in it.
        workMode: 'energised',
        needs: {
          power: 'on',
          asFound: false,
          panels: panelsOf(part),
          loosened: [{ key: `x${part.index}.${sibling.index}`, type: 'swap', part: part.index, minutes: SWAP_MINUTES }],
          arrival: { program, seconds: at.seconds },
        },
      },
    ]
  })
}
