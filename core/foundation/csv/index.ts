export { csvOf, withoutGuard } from './csv-of'
