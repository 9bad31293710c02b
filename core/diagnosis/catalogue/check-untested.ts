import { problem, type Problem } from '../../foundation/issues'
import type { TestCatalogue } from './types'

/** In the place of names: nothing on the part can be tested here. */
export const NOTHING_TESTED = 'all'

/** Tests that a sheet leaves out and that there are none of. */
export const checkUntested = ({ machine: { parts, kinds } }: TestCatalogue): Problem[] =>
  parts.flatMap((part) => {
    const offered = (kinds[part.index].measurements?.(part) ?? []).map((m) => m.id)
    return part.untested
      .filter((id) => id !== NOTHING_TESTED && !offered.includes(id))
      .map((id) =>
        problem('unknown-test', ['parts', part.id, 'untested'], {
          found: id,
          expected: `one of ${[...offered, NOTHING_TESTED].join(', ')}`,
        }),
      )
  })
