import type { TestStrategy, WorkMode } from '../../evidence'
import type { Machine } from '../../model/machine'
import type { Procedure } from '../catalogue'

const inMode =
  (...modes: WorkMode[]) =>
  (_: Machine, { workMode }: Procedure): boolean =>
    workMode === 'observe' || modes.includes(workMode)

/** Tests that a strategy takes before any other. */
const FIRST: Record<TestStrategy, ((machine: Machine, p: Procedure) => boolean) | undefined> = {
  best: undefined,
  'live-first': inMode('energised'),
  'dead-first': inMode('isolated'),
  'water-first': inMode('water'),
  // Opened, turned, watched: no meter at all.
  'by-hand-first': (_, { meter }) => meter === undefined,
  // At the terminals that the control switches, before anything in the field is opened.
  'control-first': (machine, { measurement: m }) =>
    !('part' in m) || machine.kinds[m.part].command !== undefined || machine.kinds[m.part].active === 'powered',
  // What the machine shows by itself on its way through its program.
  'own-sequence': (_, { workMode }) => workMode === 'observe',
}

/** Whether a test belongs to the work that a strategy does first. */
export const comesFirst = (strategy: TestStrategy, machine: Machine, procedure: Procedure): boolean =>
  FIRST[strategy]?.(machine, procedure) !== false
