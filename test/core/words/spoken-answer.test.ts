import { describe, expect, it } from 'vitest'
import { parseReading } from '../../../core/foundation/quantity'
import { spokenAnswer } from '../../../core/words'

const ohms = (said: string) => {
  const heard = spokenAnswer(said)
  if (heard?.type !== 'reading') return heard?.type
  const read = parseReading(heard.text, { type: 'number', dimension: 'resistance' })
  return read.ok && read.value.type === 'value' ? read.value.si : read.ok && read.value.type
}

describe('what is said to a question', () => {
  it.each([
    ['yes', 'yes'],
    ['No.', 'no'],
    ['again', 'again'],
    ['undo', 'undo'],
    ['open', 'open'],
    ['O L', 'open'],
    ['820', 820],
    ['8.2', 8.2],
    ['2.7 k', 2700],
    ['eight hundred and twenty ohms', 820],
    ['twenty four', 24],
    ['two point seven kilo', 2700],
    ['point four', 0.4],
    ['one thousand two hundred', 1200],
    ['zero', 0],
    ['118 volts', 118],
    ['eight two zero', 820],
    ['two point seven five', 2.75],
    ['nine hundred five', 905],
  ])('%s', (said, meant) => {
    expect(ohms(said)).toBe(meant)
  })
  it('what is half understood is nothing, never another number', () => {
    for (const said of [
      '',
      'eight hundred and something',
      'yes I think',
      'no idea',
      'point',
      'kilo',
      'twenty blue',
      'the lid',
      'twenty thirty',
      'one eighteen',
      '1 18',
      'eight hundred hundred',
      'twenty zero',
      'hundred thousand hundred twelve thirteen',
    ])
      expect(spokenAnswer(said), said).toBeUndefined()
  })
  it('every whole number is heard as itself', () => {
    const small = ['', ...'one two three four five six seven eight nine'.split(' ')]
    const tens = ['', '', ...'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ')]
    for (let n = 120; n < 1000; n++) {
      if (n % 100 < 20) continue
      const words = `${small[Math.floor(n / 100)]} hundred ${tens[Math.floor((n % 100) / 10)]} ${small[n % 10]}`.trim()
      expect(ohms(words), words).toBe(n)
    }
  })
})
