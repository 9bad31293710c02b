export type { WorkMode } from './work-mode'
export { TEST_STRATEGIES, type TestStrategy } from './test-strategies'
export { VERBS, type Action, type Evidence } from './evidence'
export { readEvidence, type Vocabulary } from './read-evidence'
