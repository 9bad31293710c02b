export { subnetworksOf, type Subnetwork } from './subnetworks'
export { PLAIN_LINK, solveWater, type WaterLink, type WaterSolution } from './solve'

/** Pascals per metre of water column, 20 °C. */
export const PASCALS_PER_METRE = 9810

/** Heat that turns a cubic metre of water at 100 °C into steam, J/m³. */
export const STEAM_HEAT = 2.26e9

/** Heat that warms a cubic metre of water by one kelvin, J/(m³·K), 20 °C. */
export const WATER_HEAT = 4.18e6
export { seriesPathOf, solveSeriesPath, type SeriesPath } from './series-path'
export { horizontalCylinderLevel } from './horizontal-cylinder-level'
