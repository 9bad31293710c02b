export { plainAmps, plainVolts, solveBoth, solvePlain, type PlainSolution } from './circuit'
export { phaseTimes, PlainLive, runPlain, STEP, type PlainRun, type SolvedCache, type Still } from './run'
export { waterSolver } from './water'
