import { sensingService } from '../sensing-switch'
import type { KindService } from '../contract'
import { PRESSURE_CONTROL } from './pressure-control'

export const kindService: KindService = sensingService(PRESSURE_CONTROL)
