import type { Sheet } from '../sheet'
import { settingOf } from './index-control'
import type { IndexedParts } from './index-parts'
import type { SpecialTest } from './types'

/** The special tests of a sheet, what they name by its place in the flat arrays. */
export function indexTests(sheet: Sheet, indexed: IndexedParts): SpecialTest[] {
  const indexOf = (part: string | undefined) => (part === undefined ? undefined : indexed.partIndex.get(part)!)
  return sheet.tests.map(({ id, part, signal, by, jumper, lifts, holds, moment, watched, asks, minutes, caution }) => ({
    id,
    part: indexed.partIndex.get(part)!,
    signal,
    by,
    jumper: indexOf(jumper),
    lifts: indexOf(lifts),
    holds: holds.map((h) => ({
      part: indexed.partIndex.get(h.part)!,
      setting: settingOf(sheet, indexed, h),
      named: [h.mode, h.value],
    })),
    moment,
    watched,
    asks,
    minutes,
    caution,
  }))
}
