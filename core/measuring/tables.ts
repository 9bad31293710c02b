import { awgArea, COPPER_OHM_METRES } from './tools/wire'

/** A size of wire: by gauge or by area, its ohms for each metre of one conductor. */
const size = (name: string, area: number) => ({ name, area, ohmsPerMetre: COPPER_OHM_METRES / area })

/** Usual sizes of copper at 20 °C, computed from the definition of the gauge (ASTM B258) and the resistivity of copper (IEC 60028). */
export const WIRE_SIZES = [
  ...[24, 22, 20, 18, 16, 14, 12, 10].map((n) => size(`${n} AWG`, awgArea(n))),
  ...[0.5, 0.75, 1, 1.5, 2.5, 4, 6].map((mm2) => size(`${mm2} mm²`, mm2 * 1e-6)),
].sort((a, b) => a.area - b.area)

/** Temperatures, °C, at which the table of a bead of 10 kΩ stands; its ohms follow from beta. */
export const BEAD_TABLE = {
  ohms25: 10e3,
  betas: [3435, 3950],
  celsius: [-10, 0, 10, 20, 25, 30, 40, 50, 60, 70, 80, 90, 100],
}

/** What the colours of conductors mean, by where they hold. */
export const CONDUCTOR_COLOURS = [
  {
    where: 'Europe and much of the world (IEC 60445)',
    live: 'brown; also black, grey',
    neutral: 'blue',
    earth: 'green and yellow',
  },
  {
    where: 'North America (NEC)',
    live: 'black; red for the other leg',
    neutral: 'white or grey',
    earth: 'green or bare',
  },
  {
    where: 'British installations of before 2006',
    live: 'red; also yellow, blue',
    neutral: 'black',
    earth: 'green and yellow',
  },
] as const

/** Supplies as they are standardised, with what they may be at the meter. */
export const SUPPLIES = [
  { name: '230 V, 50 Hz, one phase', least: 207, most: 253, source: 'IEC 60038: ± 10 %' },
  { name: '400 V, 50 Hz, between phases', least: 360, most: 440, source: 'IEC 60038: ± 10 %' },
  { name: '120 V, 60 Hz, one leg', least: 114, most: 126, source: 'ANSI C84.1, range A: ± 5 %' },
  { name: '240 V, 60 Hz, both legs', least: 228, most: 252, source: 'ANSI C84.1, range A: ± 5 %' },
  { name: '208 V, 60 Hz, between phases', least: 197, most: 218, source: 'ANSI C84.1, range A: ± 5 %' },
  {
    name: '24 V, 50 or 60 Hz, behind a transformer',
    least: 24,
    most: 29,
    source: 'lightly loaded it reads above its label',
  },
  { name: '12 V battery, at rest', least: 12.4, most: 12.8, source: 'lead acid, half charged to full' },
] as const
