const CLASHES: Readonly<Record<string, string>> = {
  overlaps: 'Two visits at once',
  'no-way-between': 'No time to get there',
  'before-work': 'Before work begins',
  'after-work': 'Past the end of work',
}
/** What cannot be about a visit, by the code of the clash. */
export const describeClash = (clash: string): string => CLASHES[clash] ?? clash

const REASONS: Readonly<Record<string, string>> = { call: 'Call', return: 'Return visit', care: 'Care' }
export const describeReason = (reason: string): string => REASONS[reason] ?? reason

/** How late something is, from days overdue; below 0 while there is time. */
export const describeDue = (overdue: number): string =>
  overdue > 0
    ? `${overdue} ${overdue === 1 ? 'day' : 'days'} overdue`
    : overdue === 0
      ? 'due today'
      : `due in ${-overdue} ${overdue === -1 ? 'day' : 'days'}`
