import { sensingBehaviour } from '../sensing-switch'
import type { KindBehaviour } from '../contract'
import { FLOW_SWITCH } from './flow-switch'

export const kindBehaviour: KindBehaviour = sensingBehaviour(FLOW_SWITCH)
