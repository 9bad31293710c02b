export { atLeast, packVan, type CallNeed, type Packable, type Packed } from './pack-van'
