export { cleanJpeg, type CleanJpeg } from './clean-jpeg'
