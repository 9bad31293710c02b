import type { Machine } from '../../model/machine'
import type { ScriptStep } from './script'

/** What hands do to run a program: start it, and what the program says for later. @param at when it is started, s */
export const programSteps = ({ programs }: Machine, program: number, at: number): ScriptStep[] => [
  { at, start: program },
  ...programs[program].later.map(({ after, sets }) => ({ at: at + after, hold: [...sets] })),
]
