import { problem } from '../../foundation/issues'
import { findUnit, toSi, type Dimension } from '../../foundation/quantity'
import { ok, err, type Result } from '../../foundation/result'
import type { Comparison, Condition } from './condition'

const TOKEN = /\s*(>=|<=|>|<|\(|\)|[-+]?\d+(?:\.\d+)?|[^\s()<>=\d][^\s()<>=]*)/uy

/** Words, numbers, brackets and comparisons of a text; `undefined` where something else stands in it. */
function tokensOf(text: string): string[] | undefined {
  const tokens: string[] = []
  TOKEN.lastIndex = 0
  while (TOKEN.lastIndex < text.trimEnd().length) {
    const m = TOKEN.exec(text)
    if (!m) return undefined
    tokens.push(m[1])
  }
  return tokens
}

/** Ends the parsing; its message says what was expected. */
class Unexpected extends Error {}
const fail = (expected: string): never => {
  throw new Unexpected(expected)
}

const isComparison = (word: string | undefined): word is Comparison =>
  word === '>=' || word === '<=' || word === '>' || word === '<'

/** A signal by its part and name; `undefined` for any other word. */
function signalOf(word = ''): { part: string; signal: string } | undefined {
  const [, part, signal] = /^(?![-+]?[\d.]+$)([\w-]+)\.([\w-]+)$/.exec(word) ?? []
  return part === undefined || signal === undefined ? undefined : { part, signal }
}

/**
 * Recursive descent, a method a rule:
 *
 *     condition := and { "or" and }
 *     and       := not { "and" not }
 *     not       := ("not" | "ever" | "never") not | "(" condition ")" | atom
 *     atom      := "after" QUANTITY | "alarm" CODE | "phase" NAME | "chatters" | SIGNAL [ (>=|<=|>|<) (QUANTITY | SIGNAL) ]
 *     SIGNAL    := PART.SIGNAL
 */
class ConditionParser {
  private at = 0
  constructor(private readonly tokens: readonly string[]) {}

  whole(): Condition {
    const condition = this.condition()
    if (this.at < this.tokens.length) fail(`"and" or "or" before "${this.tokens[this.at]}"`)
    return condition
  }
  private next(expected: string): string {
    return this.tokens[this.at++] ?? fail(expected)
  }
  private condition(): Condition {
    return this.list('or', () => this.list('and', () => this.not()))
  }
  private list(word: 'and' | 'or', next: () => Condition): Condition {
    const of = [next()]
    while (this.tokens[this.at] === word) {
      this.at++
      of.push(next())
    }
    return of.length === 1 ? of[0] : { type: word, of }
  }
  private not(): Condition {
    const word = this.tokens[this.at]
    if (word !== 'not' && word !== 'ever' && word !== 'never' && word !== '(') return this.atom()
    this.at++
    if (word === 'never') return { type: 'not', of: { type: 'ever', of: this.not() } }
    if (word !== '(') return { type: word, of: this.not() }
    const inner = this.condition()
    return this.tokens[this.at++] === ')' ? inner : fail('a closing bracket')
  }
  private atom(): Condition {
    const word = this.next('something more')
    switch (word) {
      case 'after': {
        const q = this.quantity()
        return q.dimension === 'time' && q.si >= 0
          ? { type: 'after', seconds: q.si }
          : fail('a time of 0 s or more after "after"')
      }
      case 'alarm':
        return { type: 'alarm', alarm: this.next('an alarm code') }
      case 'phase':
        return { type: 'phase', phase: this.next('a phase') }
      case 'chatters':
        return { type: 'chatters' }
    }
    const own = signalOf(word)
    if (!own) return fail(`PART.SIGNAL instead of "${word}"`)
    const op = this.tokens[this.at]
    if (!isComparison(op)) return { type: 'signal', ...own }
    const other = signalOf(this.tokens[++this.at])
    if (!other) return { type: 'compare', ...own, op, ...this.quantity() }
    this.at++
    return { type: 'compare-signals', ...own, op, other }
  }
  private quantity(): { si: number; dimension: Dimension | undefined } {
    const n = this.tokens[this.at++]
    if (n === undefined || !/^[-+]?\d/.test(n)) return fail('a number with its unit')
    const symbol = this.tokens[this.at]
    const unit = symbol === undefined ? undefined : findUnit(symbol)
    if (!unit) return { si: Number(n), dimension: undefined }
    this.at++
    return { si: toSi(Number(n), unit), dimension: unit.dimension }
  }
}

/**
 * Parses a condition.
 *
 * @param path where the text stands in the sheet, for the problem record
 * @returns the condition with parts, phases and alarms by name, numbers in SI; or `bad-condition` with what was expected
 */
export function parseCondition(text: string, path: (string | number)[] = []): Result<Condition> {
  const tokens = tokensOf(text)
  if (!tokens)
    return err(problem('bad-condition', path, { found: text, expected: 'PART.SIGNAL, comparison, and, or, not' }))
  try {
    return ok(new ConditionParser(tokens).whole())
  } catch (error) {
    if (error instanceof Unexpected)
      return err(problem('bad-condition', path, { found: text, expected: error.message }))
    throw error
  }
}
