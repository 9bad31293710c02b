import { sensingBehaviour } from '../sensing-switch'
import type { KindBehaviour } from '../contract'
import { PRESSURE_CONTROL } from './pressure-control'

export const kindBehaviour: KindBehaviour = sensingBehaviour(PRESSURE_CONTROL)
