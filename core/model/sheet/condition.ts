import type { Dimension } from '../../foundation/quantity'

export type Comparison = '>=' | '<=' | '>' | '<'

/** A condition of a sheet; parts, phases and alarms by name, or by index in a machine. */
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
      op: Comparison
      si: number
      dimension: Dimension | undefined
    }
  | { type: 'compare-signals'; part: Ref; signal: string; op: Comparison; other: { part: Ref; signal: string } }

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

/** The signals that an atom looks at. */
export function signalsIn<Ref>(atom: Condition<Ref>): { part: Ref; signal: string }[] {
  switch (atom.type) {
    case 'signal':
    case 'compare':
      return [{ part: atom.part, signal: atom.signal }]
    case 'compare-signals':
      return [{ part: atom.part, signal: atom.signal }, atom.other]
    default:
      return []
  }
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
    case 'compare-signals':
      return { ...c, part: to.part(c.part), other: { ...c.other, part: to.part(c.other.part) } }
    default:
      return c
  }
}
