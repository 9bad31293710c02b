export { readQuantity, type Quantity } from './parse-quantity'
export { readReading, type ReadingShape, type ReadingValue } from './parse-reading'
export { sayQuantity } from './format'
export { findUnit, HOME_UNIT, toSi, type Dimension, type Unit } from './units'
