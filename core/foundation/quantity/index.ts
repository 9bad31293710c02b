export { parseQuantity, withArticle, type Quantity } from './parse-quantity'
export { parseReading, type ReadingShape, type ReadingValue } from './parse-reading'
export { formatQuantity } from './format'
export { findUnit, DEFAULT_UNIT, toSi, type Dimension, type UnitOfMeasure } from './units'
