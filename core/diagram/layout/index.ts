export { layoutPicture, type Picture, type Run } from './layout-picture'
export { drawPicture, type DrawnPicture, type Point } from './route-lines'
export { stripsOf, type Strips } from './strips'
