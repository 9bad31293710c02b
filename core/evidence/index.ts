export type { WorkMode } from './work-mode'
export { VERBS, type Action, type Evidence } from './evidence'
export { readEvidence, type Vocabulary } from './read-evidence'
