export { factorInPlace, solveInPlace, type Factor } from './factor'
export { backwardSolve, choleskyInPlace, forwardSolve } from './cholesky'
