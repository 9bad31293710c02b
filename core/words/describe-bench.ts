import type { BenchCheck, Range } from '../model/machine'
import { formatQuantity, type Dimension } from '../foundation/quantity'
import { LOCALE, type Locale } from './locale'

const between = ([least, most]: Range, dimension: Dimension): string => {
  const [low, high] = [formatQuantity(least, dimension), formatQuantity(most, dimension)]
  return low === high ? low : `${low} to ${high}`
}

const SOURCES = {
  battery: 'Energise it from a fused battery only.',
  transformer: 'Energise it for seconds only, from a fused isolating transformer of its voltage.',
  none: 'Do not energise it on the bench: ohms only. Mains coils are worked closed up in their machine, or in a shrouded, fused, residual-current protected jig by somebody allowed live work.',
} as const

const SAYS: Record<Locale, (c: BenchCheck) => string> = {
  en(c) {
    switch (c.type) {
      case 'dipped':
        return `Work its float through water ten times: the contact ${c.closes === 'rising' ? 'closes' : 'opens'} as it rises (${between(c.trip, 'length')} above the bottom when fitted) and goes back as it falls (${between(c.back, 'length')}). A miss: clean it, look at the leads, ten times again.`
      case 'cup':
        return `Pour water into its tray from a measured cup: it switches after ${between(c.volume, 'volume')}.`
      case 'heated':
        return [
          `Closed cold. Warm it slowly with a thermometer beside it: it opens at ${between(c.opens, 'temperature')}`,
          c.back ? `, and closes again at ${between(c.back, 'temperature')}` : '',
          '. ',
          c.medium === 'water' ? 'In water.' : 'Water ends at 100 °C: a dry block or an oven, no oil, no flame.',
          ` Stop at ${formatQuantity(c.until, 'temperature')}, and never past the limit of its body; not opened by then, it is not shown to open.`,
          c.button ? ' Press its button only when it is cool.' : '',
        ].join('')
      case 'chilled':
        return `Hold its bulb in ice water and time it: it opens at ${between(c.opens, 'temperature')} and closes again at ${between(c.back, 'temperature')}.`
      case 'never':
        return 'Not heated on the bench: a one-shot cut-out is spent by it. Ohms only: closed, or gone.'
      case 'coil':
        return `Coil: ${between(c.ohms, 'resistance')} at 20 °C. ${SOURCES[c.source]}`
      case 'air':
        return `Low regulated air at its inlet, never by mouth: it passes ${c.passes === 'energised' ? 'only energised' : 'at rest, and not energised'}${c.least > 0 ? `, from ${formatQuantity(c.least, 'pressure')}` : ''}. Its plunger moves freely.`
    }
  },
}

/** A check of a part on the bench, with what a good one shows. */
export const describeBench = (check: BenchCheck, locale: Locale = LOCALE): string => SAYS[locale](check)
