import { parse, stringify } from 'yaml'
import { findShipped } from '../cli/library'

/** Zones of the shipped irrigation system, and how long each runs, s. */
const ZONES = 6
const ZONE_SECONDS = 180

/** Zones with which it comes to 100 faults and well over 200 tests. */
export const WIDE_ZONES = 13

type Entries = Record<string, unknown>

/** Everything that speaks of zone 6, as it would speak of another zone. */
const inZone = (value: unknown, zone: number): unknown =>
  JSON.parse(
    JSON.stringify(value)
      .replace(/\b(t|run|v|line|heads|zone|own-|in-)6\b/g, `$1${zone}`)
      .replace(/\b(terminal|wire|valve|lateral|zone|Zone|of zone) 6\b/g, `$1 ${zone}`),
  )
const named = (zone: number) => (key: string) => inZone(key, zone) as string

/**
 * A sheet wider than any shipped one, to see how the advice bears it: the irrigation system with more zones behind the
 * last box, each with the parts, wires, water, tests and faults of zone 6.
 *
 * @param zones at least 6
 */
export function wideSheet(zones: number): { text: string; file: string } {
  const sheet = parse(findShipped('irrigation')!.text) as Record<string, Entries>
  const ofZone6 = /\b(t|run|v|line|heads|zone|own-|in-)6(\b|-)/
  for (let zone = ZONES + 1; zone <= zones; zone++) {
    const later = (zone - ZONES) * ZONE_SECONDS
    for (const section of ['parts', 'wiring', 'water', 'phases', 'complaints', 'tests', 'moments', 'faults'])
      for (const [key, value] of Object.entries(sheet[section]))
        if (ofZone6.test(key)) sheet[section][named(zone)(key)] ??= inZone(value, zone)
    sheet.phases[`zone${zone - 1}`] = inZone(
      { ...(sheet.phases.zone6 as Entries), exits: [{ when: 'after 3 min', to: `zone${zone}` }] },
      zone - 1,
    )
    ;(sheet.moments[`in-${zone}`] as Entries).after = `${1020 + later} s`
  }
  ;(sheet.programs.all as Entries).lasts = `${20 + ((zones - ZONES) * ZONE_SECONDS) / 60} min`
  const wide = { ...sheet, id: 'wide', title: `Irrigation, ${zones} zones`, family: false }
  return { text: stringify(wide), file: 'wide.yaml' }
}
