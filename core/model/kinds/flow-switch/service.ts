import { sensingService } from '../sensing-switch'
import type { KindService } from '../contract'
import { FLOW_SWITCH } from './flow-switch'

export const kindService: KindService = sensingService(FLOW_SWITCH)
