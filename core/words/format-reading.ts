import type { Prediction } from '../diagnosis/predict'
import { formatQuantity, type Dimension, type ReadingValue } from '../foundation/quantity'
import { formatChance } from './format-chance'

/** A reading as it stands in a list. */
export function formatReading(value: ReadingValue, dimension: Dimension | undefined): string {
  switch (value.type) {
    case 'value':
      return formatQuantity(value.si, dimension ?? 'count')
    case 'open':
      return 'OL'
    case 'could-not':
      return 'could not take it'
    case 'word':
      return value.word
    case 'longer-than':
      return `longer than ${formatQuantity(value.si, dimension ?? 'time')}`
    case 'never-ended':
      return 'never ended'
    case 'never':
      return dimension === 'time' ? 'never began' : 'never'
    case 'times':
      return `${value.clean} of ${value.of}`
    default:
      return value.type
  }
}

/** What a prediction would make the instrument show. */
export function formatPrediction(p: Prediction, dimension: Dimension | undefined): string {
  switch (p.type) {
    case 'value':
      return formatQuantity(p.mean, dimension ?? 'count')
    case 'open':
      return 'OL'
    case 'never':
      return dimension === 'time' ? 'never begins' : 'never gets there'
    case 'never-ended':
      return 'begins and never ends'
    case 'sense':
      return p.yes > 0.5 ? 'yes' : 'no'
    case 'word':
      return p.word
    case 'times':
      return `${formatChance(p.clean)} of the times`
  }
}
