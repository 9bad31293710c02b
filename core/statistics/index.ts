export { experienceFrom, type ClosedJob, type Experience, type ShopRecord } from './shop-record'
