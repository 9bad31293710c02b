import { describe, expect, it } from 'vitest'
import { findShipped } from '../../../cli/library'
import { likelihood, unconditioned } from '../../../core/diagnosis/belief'
import { STANDARD } from '../../../core/diagnosis/calibration'
import type { Prediction } from '../../../core/diagnosis/predict'
import { sparse } from '../../../core/foundation/linear'
import { orThrow } from '../../../core/foundation/result'
import { flattenSheet } from '../../../core/model/sheet'
import { activeFaultsIn, predictorOf } from '../support/sheets'
import { renameAll } from '../support/rename'
import { shippedMachines, shippedPredictor } from '../support/shipped'

/** What a technician takes for a fed circuit, V: less than any shipped circuit works at. */
const FED = 3

/** What each reading to a return shows on the healthy machine and under each single fault, V; none where it never comes to it. */
function readings(text: string) {
  const predictor = predictorOf(text)
  const { procedures, machine } = predictor.catalogue
  return procedures.flatMap((p) => {
    const { measurement: m } = p
    if (m.type !== 'volts' || m.b !== '@return') return []
    const at = machine.returnAt[machine.parts[m.part].nodes[m.a]]!
    const volts = predictor.hypotheses.flatMap((h) => {
      const q = predictor.predict(h, p)
      return q.type === 'value' ? [q.mean] : []
    })
    return [{ id: p.id, to: `${machine.parts[at.part].id}.${at.terminal}`, volts }]
  })
}

describe('readings to the return', () => {
  it.each(shippedMachines())('%s: fed where all is well or fed under some fault, and not the same under all', (id) => {
    for (const { id: test, volts } of readings(findShipped(id)!.text)) {
      expect(Math.max(...volts), test).toBeGreaterThan(FED)
      expect(Math.min(...volts), test).toBeLessThan(0.5 * Math.max(...volts))
    }
  })
  it('are taken against the common of the transformer in its circuit, against the neutral elsewhere, whatever the names', () => {
    const { text, file } = findShipped('flake-ice-machine')!
    const own = readings(text)
    const chain = own.filter((r) => r.to === 'control-transformer.s2').map((r) => r.id)
    for (const part of ['master', 'bin-stat', 'spout', 'high-pressure', 'water-present', 'overload'])
      expect(chain).toContain(`${part}.to-return`)
    expect(own.filter((r) => r.to === 'mains.N').map((r) => r.id)).toEqual(['control-fuse.to-return'])
    const { renamed } = renameAll(orThrow(flattenSheet(text, file, findShipped)))
    expect(readings(renamed).map((r) => r.volts)).toEqual(own.map((r) => r.volts))
  })
  it('walk along a chain with one link open: supply before it, nothing behind it, not one in doubt', () => {
    const predictor = shippedPredictor('flake-ice-machine')
    const { procedures, machine } = predictor.catalogue
    const [open] = ['spout.stuck-open'].map((id) => predictor.hypothesisFor([activeFaultsIn(machine, id)]))
    const shown = ['master', 'bin-stat', 'spout', 'high-pressure', 'water-present'].map((part) => {
      const q = predictor.predict(
        open,
        procedures.find((p) => p.id === `${part}.to-return`)!,
      )
      return q.type === 'value' ? q.mean : NaN
    })
    expect(shown.map((v) => v > 20)).toEqual([true, true, false, false, false])
    expect(Math.max(...shown.slice(2))).toBeLessThan(0.5)
  })
})

describe('a reading of nothing', () => {
  it('is not asked whether it was written at another scale: nothing is nothing in volts and in millivolts', () => {
    const belief = STANDARD.belief
    const p: Prediction = {
      type: 'value',
      mean: 0,
      sensitivity: sparse(new Float64Array(1)),
      reproducibility: 0.15,
      repeatability: 0.05,
    }
    for (const mean of [0, 24, 230]) {
      const fit = likelihood({ ...p, mean }, { type: 'value', si: 0 }, 'voltage', unconditioned, belief)
      expect(fit.unitSlip).toBeUndefined()
      expect(fit.explains).toBe(mean === 0)
    }
    expect(
      likelihood({ ...p, mean: 24 }, { type: 'value', si: 0.024 }, 'voltage', unconditioned, belief).unitSlip,
    ).toBe('thousand-too-small')
  })
})
