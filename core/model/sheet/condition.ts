import { problem } from '../../foundation/issues'
import { ok, err, type Result } from '../../foundation/result'
import { findUnit, toSi, type Dimension } from '../../foundation/quantity'

/**
 * Conditions of sheets.
 *
 *     condition := and { "or" and }
 *     and       := not { "and" not }
 *     not       := ("not" | "ever" | "never") not | "(" condition ")" | atom
 *     atom      := "after" QUANTITY | "alarm" CODE | "phase" NAME | "chatters" | PART.SIGNAL [ (>=|<=|>|<) QUANTITY ]
 */
export type Condition<Ref = string> =
  | { type: 'and' | 'or'; of: Condition<Ref>[] }
  | { type: 'not' | 'ever'; of: Condition<Ref> }
  | { type: 'after'; seconds: number }
  | { type: 'alarm'; alarm: Ref }
  | { type: 'phase'; phase: Ref }
  | { type: 'chatters' }
  | { type: 'signal'; part: Ref; signal: string }
  | {
      type: 'compare'
      part: Ref
      signal: string
      op: '>=' | '<=' | '>' | '<'
      si: number
      dimension: Dimension | undefined
    }

/** The inner conditions that are asked about for ever after: `ever` and what `never` is made of. */
export type EverCondition<Ref = string> = Extract<Condition<Ref>, { type: 'not' | 'ever' }>

/** Whether a condition speaks of phases and alarms alone: such a one may come true and pass within one instant. */
export function isControlOnly<Ref>(c: Condition<Ref>): boolean {
  switch (c.type) {
    case 'and':
    case 'or':
      return c.of.every(isControlOnly)
    case 'not':
    case 'ever':
      return isControlOnly(c.of)
    default:
      return c.type === 'phase' || c.type === 'alarm'
  }
}

const TOKEN = /\s*(>=|<=|>|<|\(|\)|[-+]?\d+(?:\.\d+)?|[^\s()<>=\d][^\s()<>=]*)/uy

/**
 * Parses a condition.
 *
 * @param path where the text stands in the sheet, for the problem record
 */
export function parseCondition(text: string, path: (string | number)[] = []): Result<Condition> {
  const tokens: string[] = []
  TOKEN.lastIndex = 0
  while (TOKEN.lastIndex < text.trimEnd().length) {
    const m = TOKEN.exec(text)
    if (!m)
      return err(problem('bad-condition', path, { found: text, expected: 'PART.SIGNAL, comparison, and, or, not' }))
    tokens.push(m[1])
  }
  let at = 0
  class Stop extends Error {}
  const fail = (expected: string): never => {
    throw new Stop(expected)
  }
  const quantity = (): { si: number; dimension: Dimension | undefined } => {
    const n = tokens[at++]
    if (n === undefined || !/^[-+]?\d/.test(n)) return fail('a number with its unit')
    const unit = tokens[at] === undefined ? undefined : findUnit(tokens[at])
    if (!unit) return { si: Number(n), dimension: undefined }
    at++
    return { si: toSi(Number(n), unit), dimension: unit.dimension }
  }
  const atom = (): Condition => {
    const word = tokens[at++]
    if (word === undefined) return fail('something more')
    if (word === 'after') {
      const q = quantity()
      if (q.dimension !== 'time') return fail('a time after "after"')
      return { type: 'after', seconds: q.si }
    }
    if (word === 'alarm') return { type: 'alarm', alarm: tokens[at++] ?? fail('an alarm code') }
    if (word === 'phase') return { type: 'phase', phase: tokens[at++] ?? fail('a phase') }
    if (word === 'chatters') return { type: 'chatters' }
    const ref = /^([\w-]+)\.([\w-]+)$/.exec(word)
    if (!ref) return fail(`PART.SIGNAL instead of "${word}"`)
    const [part, signal] = [ref[1], ref[2]]
    const op = tokens[at]
    if (op !== '>=' && op !== '<=' && op !== '>' && op !== '<') return { type: 'signal', part, signal }
    at++
    return { type: 'compare', part, signal, op, ...quantity() }
  }
  const not = (): Condition => {
    const word = tokens[at]
    if (word === 'not' || word === 'ever') {
      at++
      return { type: word, of: not() }
    }
    if (word === 'never') {
      at++
      return { type: 'not', of: { type: 'ever', of: not() } }
    }
    if (word === '(') {
      at++
      const inner = either()
      if (tokens[at++] !== ')') return fail('a closing bracket')
      return inner
    }
    return atom()
  }
  const list = (word: 'and' | 'or', next: () => Condition): Condition => {
    const of = [next()]
    while (tokens[at] === word) {
      at++
      of.push(next())
    }
    return of.length === 1 ? of[0] : { type: word, of }
  }
  const either = (): Condition => list('or', () => list('and', not))
  try {
    const condition = either()
    if (at < tokens.length) fail(`"and" or "or" before "${tokens[at]}"`)
    return ok(condition)
  } catch (error) {
    if (error instanceof Stop) return err(problem('bad-condition', path, { found: text, expected: error.message }))
    throw error
  }
}

/** Every atom of a condition, depth first. */
export function* atomsOf<Ref>(c: Condition<Ref>): Generator<Condition<Ref>> {
  if (c.type === 'and' || c.type === 'or') for (const inner of c.of) yield* atomsOf(inner)
  else if (c.type === 'not' || c.type === 'ever') yield* atomsOf(c.of)
  else yield c
}

/** Every `ever` of a condition, with its inner condition, depth first. */
export function* eversOf<Ref>(c: Condition<Ref>): Generator<EverCondition<Ref>> {
  if (c.type === 'ever') yield c
  if (c.type === 'and' || c.type === 'or') for (const inner of c.of) yield* eversOf(inner)
  if (c.type === 'not' || c.type === 'ever') yield* eversOf(c.of)
}

/** The same condition with its names replaced. */
export function mapCondition<From, To>(
  c: Condition<From>,
  to: { part(ref: From): To; phase(ref: From): To; alarm(ref: From): To },
): Condition<To> {
  switch (c.type) {
    case 'and':
    case 'or':
      return { type: c.type, of: c.of.map((inner) => mapCondition(inner, to)) }
    case 'not':
    case 'ever':
      return { type: c.type, of: mapCondition(c.of, to) }
    case 'alarm':
      return { type: 'alarm', alarm: to.alarm(c.alarm) }
    case 'phase':
      return { type: 'phase', phase: to.phase(c.phase) }
    case 'signal':
      return { ...c, part: to.part(c.part) }
    case 'compare':
      return { ...c, part: to.part(c.part) }
    default:
      return c
  }
}
