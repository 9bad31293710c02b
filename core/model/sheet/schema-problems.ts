import type { z } from 'zod'
import { problem, type Problem } from '../../foundation/issues'

type Issue = z.core.$ZodIssue

const TYPES: Partial<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  boolean: 'true or false',
  array: 'a list',
  tuple: 'a list',
  object: 'a map of names',
  record: 'a map of names',
}

function describe(value: unknown): string | undefined {
  if (value === undefined) return undefined
  if (value === null) return 'nothing'
  if (Array.isArray(value)) return 'a list'
  if (typeof value === 'object') return 'a map of names'
  const text = String(value)
  return text.length > 60 ? `${text.slice(0, 60)}…` : text
}

const at = (root: unknown, path: readonly (string | number)[]): unknown =>
  path.reduce<unknown>((x, key) => (x as Record<string | number, unknown> | null | undefined)?.[key], root)

/** What would be right there, in words. */
function expected(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      return TYPES[issue.expected] ?? issue.expected
    case 'invalid_value':
      return issue.values.length > 1 ? `one of ${issue.values.join(', ')}` : String(issue.values[0])
    case 'too_small':
      return `at least ${issue.minimum}${issue.origin === 'array' ? ' entries' : issue.origin === 'string' ? ' letters' : ''}`
    case 'too_big':
      return `at most ${issue.maximum}`
    case 'invalid_key':
      return issue.issues.map(expected).join(', ')
    default:
      return issue.message
  }
}

/**
 * Faults of a sheet's shape as records. Of several shapes that something may have, the one that it comes nearest to is taken.
 *
 * @param root the sheet as it was checked, for what was found
 */
export function schemaProblems(issues: readonly Issue[], root: unknown, above: (string | number)[] = []): Problem[] {
  return issues.flatMap((issue): Problem[] => {
    const path = [...above, ...issue.path.filter((x): x is string | number => typeof x !== 'symbol')]
    if (issue.code === 'unrecognized_keys')
      return issue.keys.map((key) => problem('unknown-field', [...path, key], { found: key }))
    if (issue.code === 'invalid_union') {
      const known = (branch: readonly Issue[]) => branch.filter((i) => i.code !== 'unrecognized_keys').length
      const [nearest] = [...issue.errors].sort((a, b) => known(a) - known(b) || a.length - b.length)
      if (nearest?.length) return schemaProblems(nearest, root, path)
    }
    const found = at(root, path)
    return [
      problem(found === undefined || (found === null && !path.length) ? 'missing' : 'wrong-shape', path, {
        found: describe(found),
        expected: expected(issue),
      }),
    ]
  })
}
