export { experienceFrom, windingTests, type ClosedJob, type Experience, type ShopRecord } from './shop-record'
