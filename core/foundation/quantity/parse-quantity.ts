import { problem } from '../issues'
import { ok, err, type Result } from '../result'
import { unitHint } from './unit-hint'
import { findUnit, DEFAULT_UNIT, toSi, type Dimension } from './units'

/** A quantity of a sheet, in SI. `halfWidth` is the printed ± and is read as two standard deviations. */
export interface Quantity {
  value: number
  dimension: Dimension
  halfWidth: number | undefined
  bound: 'at-least' | 'at-most' | undefined
}

/** `an area`, `a voltage`. */
export const withArticle = (noun: string): string => `${/^[aeiou]/.test(noun) ? 'an' : 'a'} ${noun}`

/** Of these a value near nought is as usual as any. */
const OFFSET = new Set<Dimension>(['temperature', 'voltage', 'current', 'length'])

const NUMBER = String.raw`[-+−]?\d+(?:\.\d+)?(?:[eE][-+]?\d+)?`
const SHAPE = new RegExp(
  String.raw`^(?:(at least|at most)\s+)?(${NUMBER})\s*([^\s\d±][^\s±]*)?(?:\s*±\s*(${NUMBER})\s*([^\s\d±][^\s±]*)?)?$`,
  'u',
)

/**
 * Reads `2.9 kΩ ±9 %`, `33 s ±4 s`, `at least 0.3 bar`, `120 V`.
 *
 * @param dimension the dimension wanted; `ratio` also takes a bare number (0.2 = 20 %), `count` takes no unit
 * @returns the quantity in SI, or a problem `bad-quantity` / `wrong-dimension`
 * @example parseQuantity('2.9 kΩ ±9 %', 'resistance') // value 2900, halfWidth 261
 */
export function parseQuantity(text: string, dimension: Dimension, path: (string | number)[] = []): Result<Quantity> {
  const example = DEFAULT_UNIT[dimension].symbol
  const expected = dimension === 'count' ? 'a bare number' : `${withArticle(dimension)}, such as "12 ${example}"`
  const match = SHAPE.exec(text.trim())
  const hint = unitHint(text)
  const written = hint === undefined ? expected : `${expected}; the unit is written ${hint}`
  if (!match) return err(problem('bad-quantity', path, { found: text, expected: written }))
  const [, boundText, numberText, unitText, tolText, tolUnitText] = match
  const number = Number(numberText!.replace('−', '-'))
  const unit = unitText === undefined ? undefined : findUnit(unitText)
  if (unitText !== undefined && !unit) return err(problem('bad-quantity', path, { found: text, expected: written }))
  const bare = dimension === 'count' || dimension === 'ratio'
  if (!unit && !bare) return err(problem('bad-quantity', path, { found: `${text} (no unit)`, expected }))
  if (unit && unit.dimension !== dimension)
    return err(problem('wrong-dimension', path, { found: `${text}, a ${unit.dimension}`, expected }))
  const value = unit ? toSi(number, unit) : number
  let halfWidth: number | undefined
  if (tolText !== undefined) {
    const tol = Math.abs(Number(tolText))
    if (tolUnitText === '%') halfWidth = (Math.abs(value) * tol) / 100
    else {
      const tolUnit = tolUnitText === undefined ? unit : findUnit(tolUnitText)
      if (tolUnit ? tolUnit.dimension !== dimension : !bare)
        return err(problem('wrong-dimension', path, { found: text, expected: 'a ± in % or in the same kind of unit' }))
      halfWidth = tol * (tolUnit?.factor ?? 1)
      if (tolUnitText === undefined && unit && !OFFSET.has(dimension) && halfWidth > Math.abs(value))
        return err(
          problem('out-of-range', path, {
            found: `${text}: a ± of ${tolText} ${unitText} on ${numberText} ${unitText}`,
            expected: `a ± with its unit, such as "±${tolText} %"`,
          }),
        )
    }
  }
  const bound = boundText === 'at least' ? 'at-least' : boundText === 'at most' ? 'at-most' : undefined
  return ok({ value, dimension, halfWidth, bound })
}
