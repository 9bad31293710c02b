export { factorInPlace, solveInPlace, type Factor } from './factor'
export { withChanges, dot, sparse, type SparseVector } from './sparse'
export { backwardSolve, choleskyInPlace, forwardSolve } from './cholesky'
export { solveDenseInPlace } from './dense'
