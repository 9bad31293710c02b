import { sensingService } from '../sensing-switch'
import type { KindService } from '../contract'
import { HUMIDITY_CONTROL } from './humidity-control'

export const kindService: KindService = sensingService(HUMIDITY_CONTROL)
