export { fits, search, type Findable } from './search'
