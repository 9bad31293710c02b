import type { TestStrategy } from '../../core/evidence'

export type { Acceptance } from '../../core/model/machine'
export type { Written } from '../../core/job'
export type Strategy = TestStrategy
