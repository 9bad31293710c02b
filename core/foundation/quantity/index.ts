export { readQuantity, type Quantity } from './parse-quantity'
export { readReading, type ReadingShape, type ReadingValue } from './parse-reading'
export { sayQuantity, splitQuantity } from './format'
export { findUnit, fromSi, HOME_UNIT, toSi, UNITS, type Dimension, type Unit } from './units'
