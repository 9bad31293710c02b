import { sensingInterface } from '../sensing-switch'
import type { KindInterface } from '../contract'
import { HUMIDITY_CONTROL } from './humidity-control'

export const kindInterface: KindInterface = sensingInterface(HUMIDITY_CONTROL)
