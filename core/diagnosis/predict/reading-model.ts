import { sparse } from '../../foundation/linear'
import type { Machine } from '../../model/machine'
import { PLAIN_LOOK, SENSES, type Indication, type Meter } from '../../simulation/instrument'
import type { Observation } from '../../simulation/measurements'
import type { Calibration } from '../calibration'
import type { SharedParams } from './shared-params'
import type { Prediction, ValuePrediction } from './types'

/** From what a measurement finds to what a hand would read: the errors of meters, testers and senses laid over it. */
export class ReadingModel {
  /** A place to write a sensitivity out in full. */
  private readonly dense: Float64Array

  constructor(
    private readonly machine: Machine,
    private readonly shared: SharedParams,
    private readonly calibration: Calibration['predict'],
  ) {
    this.dense = new Float64Array(shared.count)
  }

  /** @param meter the instrument used; `undefined` for senses and codes */
  predict(
    observation: Exclude<Observation, { type: 'phase-length' | 'on-time' }>,
    meter: Meter | undefined,
  ): Prediction {
    switch (observation.type) {
      case 'indication':
        return this.ofIndication(observation.indication, meter!)
      case 'tester':
        return this.ofTester(observation.probability)
      case 'sense': {
        const { sense, plain, truth } = observation
        const { falseYes, falseNo } = plain ? PLAIN_LOOK : SENSES[sense]
        // Whose ears are dull sees all the same whether a tap is open.
        return { type: 'sense', yes: truth ? 1 - falseNo : falseYes, sense: plain ? undefined : sense, truth }
      }
      case 'operations': {
        const { misjudged } = this.calibration
        const { works, missProbabilities } = observation
        const clean = missProbabilities.reduce((share, miss) => share * (1 - miss), 1)
        return { type: 'times', clean: works ? (1 - misjudged) * clean : misjudged }
      }
      default:
        return observation
    }
  }
  private ofTester(probability: number): Prediction {
    const { testerWrong } = this.calibration
    return { type: 'sense', yes: testerWrong + (1 - 2 * testerWrong) * probability }
  }
  private ofIndication({ type, value, sensitivity, stray = 0 }: Indication, meter: Meter): Prediction {
    if (type === 'refused') return { type: 'never' }
    return type === 'open' ? { type: 'open' } : this.value(value, sensitivity, meter, stray)
  }

  /**
   * A value as a meter shows it.
   *
   * @param mean SI
   * @param sensitivity change for +1 standard deviation of each parameter of the machine
   * @param stray what is picked up beside it, one standard deviation
   */
  value(mean: number, sensitivity: Float64Array, meter: Meter, stray = 0): ValuePrediction {
    const { modelSpread, repeatability, drift, unfelt } = this.calibration
    const { machine, shared } = this
    const all = this.dense.fill(0)
    all.set(sensitivity)
    if (machine.spreadGroups)
      for (const { index, sd, sharedSpread } of machine.params)
        if (sharedSpread) all[shared.spread(sharedSpread.group)] += sensitivity[index] * (sharedSpread.sd / sd)
    all[shared.gain(meter)] = meter.gain * mean
    const reproducibility = Math.hypot(meter.resolution, meter.zero ?? 0, stray, modelSpread * mean)
    return {
      type: 'value',
      mean,
      sensitivity: sparse(all, unfelt * reproducibility),
      reproducibility,
      repeatability: Math.hypot(repeatability * meter.resolution, drift * mean),
    }
  }
}
