import { sensingInterface } from '../sensing-switch'
import type { KindInterface } from '../contract'
import { PRESSURE_CONTROL } from './pressure-control'

export const kindInterface: KindInterface = sensingInterface(PRESSURE_CONTROL)
