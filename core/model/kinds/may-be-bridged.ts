import type { KindInterface } from './contract'

/** Whether a jumper may be put across a part, as a sheet has chosen it. */
export const mayBeBridged = (
  { jumperAllowed = false }: Pick<KindInterface, 'jumperAllowed'>,
  choices: Readonly<Record<string, string>>,
): boolean => (typeof jumperAllowed === 'boolean' ? jumperAllowed : choices[jumperAllowed.choice] === jumperAllowed.is)
