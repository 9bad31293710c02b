import { formatQuantity } from '../foundation/quantity'

/** That an instrument is not at hand. */
export const describeLacking = (title: string): string =>
  `Your instruments have no ${title}: borrow one, or choose another test.`

/** That a continuity beeper says nothing of a part. @param below Ω at which it sounds @param healthy Ω of the healthy part */
export const describeSilentBeeper = (below: number, healthy: number): string =>
  `A beeper that sounds below ${formatQuantity(below, 'resistance')} is silent on a good part here (${formatQuantity(healthy, 'resistance')}): silence proves nothing.`
