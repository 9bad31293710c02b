export { factorInPlace, solveInPlace, type Factor } from './factor'
export { changed, dot, sparse, type Sparse } from './sparse'
export { backwardSolve, choleskyInPlace, forwardSolve } from './cholesky'
