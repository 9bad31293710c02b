export { expectations, reasons, type Consequence, type Expectation } from './reasons'
export {
  dimensionOf,
  sayBeside,
  sayCautions,
  sayDoubt,
  sayHow,
  sayMove,
  sayPrediction,
  sayReading,
  sayTest,
  sayVerdict,
  STATE_WORD,
} from './say'
export { advise, DOUBT_ABOVE, type Advice } from './advise'
export { factsOf } from './facts-of'
export { openBench, vocabularyOf } from './open-bench'
export { linesOf, type Lane, type Lines } from './lines'
export { cardOf, viewOf, type TestCard, type TestRow, type View } from './view'
