import { sensingInterface } from '../sensing-switch'
import type { KindInterface } from '../contract'
import { FLOW_SWITCH } from './flow-switch'

export const kindInterface: KindInterface = sensingInterface(FLOW_SWITCH)
