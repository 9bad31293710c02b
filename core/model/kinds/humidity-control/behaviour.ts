import { sensingBehaviour } from '../sensing-switch'
import type { KindBehaviour } from '../contract'
import { HUMIDITY_CONTROL } from './humidity-control'

export const kindBehaviour: KindBehaviour = sensingBehaviour(HUMIDITY_CONTROL)
