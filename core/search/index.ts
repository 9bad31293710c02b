export { fits, search, type Findable } from './search'
export { suggest } from './suggest'
