import type { RunPosition, Timing } from '../diagnosis/catalogue'
import { formatQuantity } from '../foundation/quantity'
import type { Machine } from '../model/machine'

/** Where a machine stands in a run, in words. */
export function describePosition({ phases, programs }: Machine, position: RunPosition): string {
  switch (position.type) {
    case 'phase':
      return `during ${phases[position.phase].title}`
    case 'moment':
      return position.title
    case 'start':
      return 'with the supply on, before a program is started'
    case 'end':
      return `after ${programs[position.program].title} has run out or stopped`
    case 'found':
      return 'as you find it, before anything is moved'
    case 'off':
      return 'switched off and proved dead'
  }
}

/** When a test is taken, in words. */
export function describeTiming(machine: Machine, timing: Timing): string {
  switch (timing.type) {
    case 'any-time':
      return 'at any time'
    case 'whole-phase':
      return `from the start of ${machine.phases[timing.phase].title} to its end`
    case 'through-phase':
      return `at any time during ${machine.phases[timing.phase].title}`
    case 'from':
      return `${describePosition(machine, timing.position)}, for ${formatQuantity(timing.seconds, 'time')}`
    case 'at':
      return describePosition(machine, timing.position)
  }
}
