export { foldSeries } from './fold-series'
export { layoutPicture, type Picture, type Run } from './layout-picture'
