export { atLeast, packVan, type CallNeed, type Packable, type Packed } from './pack-van'
export { FIGURES, standsInBy, type Figure, type Figured } from './stands-in'
