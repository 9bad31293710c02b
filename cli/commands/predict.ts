import { createEngine, type Engine } from '../../core/advice'
import { dimensionOf, parseProbe, type Procedure } from '../../core/diagnosis/catalogue'
import { varianceOf, type Prediction } from '../../core/diagnosis/predict'
import { formatQuantity, type ReadingValue } from '../../core/foundation/quantity'
import { orThrow } from '../../core/foundation/result'
import { formatReading } from '../../core/words'
import { flag, many, one, text, texts, type Command } from '../command'
import { activeFaultsOf, fail, loadSheet } from '../input'

/** Times that stand for a share in words. */
const TIMES = 10

/** A prediction as a hand would write it down. */
function readingOf(p: Prediction): ReadingValue {
  switch (p.type) {
    case 'value':
      return { type: 'value', si: p.mean }
    case 'sense':
      return { type: p.yes > 0.5 ? 'yes' : 'no' }
    case 'times':
      return { type: 'times', clean: Math.round(p.clean * TIMES), of: TIMES }
    default:
      return p
  }
}

/** A prediction in the public form. */
function publicForm(p: Prediction): object {
  if (p.type === 'value') return { is: p.type, mean: p.mean }
  if (p.type === 'sense') return { is: p.type, yes: p.yes }
  const { type, ...rest } = p
  return { is: type, ...rest }
}

function procedureOf(
  { catalogue }: Engine,
  test: string | undefined,
  probe: string | undefined,
  instrument?: string,
): Procedure {
  if (probe !== undefined) return orThrow(parseProbe(catalogue, probe, instrument))
  const ids = catalogue.procedures.map((p) => p.id).join(', ')
  return (
    catalogue.procedures.find((p) => p.id === test) ??
    fail('unknown-test', ['--test'], test ?? 'nothing', `one of ${ids}`)
  )
}

/** What one test shows, healthy or broken. */
export const predict: Command = {
  name: 'predict',
  usage: 'SHEET --test ID | --probe "POINT to POINT [at MOMENT]" [--instrument ID] [--fault ID[=severity]]... [--json]',
  options: { test: text, probe: text, instrument: text, fault: texts, json: flag },
  run([name], given) {
    const engine = createEngine(loadSheet(name))
    const { predictor, machine, vocabulary } = engine
    const instrument = one(given, 'instrument')
    if (instrument !== undefined && !vocabulary.instruments.includes(instrument))
      fail('wrong-shape', ['--instrument'], instrument, vocabulary.instruments.join(', '))
    const procedure = procedureOf(engine, one(given, 'test'), one(given, 'probe'), instrument)
    if (!vocabulary.shapeOf(procedure.id, instrument))
      fail('wrong-shape', ['--instrument'], instrument!, [procedure.meter, ...procedure.alternativeMeters].join(', '))
    const faults = activeFaultsOf(machine, many(given, 'fault'))
    const hypothesis = faults.length ? predictor.hypothesisFor(faults) : predictor.healthy
    const p = predictor.predict(hypothesis, procedure, instrument)
    const dimension = dimensionOf(procedure)
    const sd = p.type === 'value' ? Math.sqrt(varianceOf(p)) : undefined
    if (given.json) return { test: procedure.id, ...publicForm(p), sd }
    console.log(engine.howTo(procedure, instrument ?? procedure.meter))
    console.log(
      p.type === 'value'
        ? `${formatQuantity(p.mean, dimension!)} ± ${formatQuantity(2 * sd!, dimension!)} (two standard deviations)`
        : formatReading(readingOf(p), dimension),
    )
    return undefined
  },
}
