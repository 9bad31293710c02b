import type { Component } from '../../physics/circuit'
import type { Part } from '../../model/kinds'
import type { OperatingPoint } from '../simulate'

/** An operating point with one parameter one standard deviation up. Valid until the next one is asked for. */
export interface PerturbedPoint {
  param: number
  point: OperatingPoint
  /** Parts that the parameter touches. */
  owners: readonly Part[]
}

/**
 * The parameters of some parts that have a tolerance, and ambient, one after another one standard deviation up, in one
 * scratch copy: only what `stamp` and `links` give may be asked of it.
 */
export function* perturbedPoints(point: OperatingPoint, parts: readonly Part[]): Generator<PerturbedPoint> {
  const values = point.values.slice()
  const scratch = point.withScratchValues(values)
  const perturb = function* (param: number, owners: readonly Part[]) {
    const sd = point.faulted.standardDeviations[param]
    if (sd === 0) return
    values[param] += sd
    yield { param, point: scratch, owners }
    values[param] -= sd
  }
  for (const part of parts) {
    const owners = [part]
    for (const param of Object.values(part.param)) yield* perturb(param, owners)
  }
  yield* perturb(0, parts)
}

/** The components of some parts as they stand at an operating point, modes unchanged. */
export function stampsOf(point: OperatingPoint, parts: readonly Part[]): Component[] {
  const out: Component[] = []
  for (const part of parts) point.faulted.machine.kinds[part.index].stamp?.(part, point, (c) => out.push(c))
  return out
}
