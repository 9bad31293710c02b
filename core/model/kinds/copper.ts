/** Copper: +0.393 % per kelvin from 20 °C. */
export const copperFactor = (ambient: number): number => 1 + 0.00393 * (ambient - 20)
