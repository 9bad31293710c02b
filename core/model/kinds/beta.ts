/** 0 °C and 25 °C in kelvin. */
const ICE = 273.15
const ROOM = 298.15

/**
 * Resistance of an NTC bead by the beta formula, R = R₂₅·exp(β·(1/T − 1/298.15 K)).
 *
 * @param ohms25 resistance at 25 °C, Ω, > 0
 * @param beta K, > 0
 * @param celsius temperature of the bead, above −273 °C
 * @example betaOhms(10_000, 3950, 40) // 5301
 */
export const betaOhms = (ohms25: number, beta: number, celsius: number): number =>
  ohms25 * Math.exp(beta * (1 / (celsius + ICE) - 1 / ROOM))

/** The temperature at which a bead has a resistance: the same formula turned round, °C. `ohms` must be > 0. */
export const betaCelsius = (ohms25: number, beta: number, ohms: number): number =>
  1 / (1 / ROOM + Math.log(ohms / ohms25) / beta) - ICE
