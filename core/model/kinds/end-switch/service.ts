import { sensingService } from '../sensing-switch'
import type { KindService } from '../contract'
import { END_SWITCH } from './end-switch'

export const kindService: KindService = sensingService(END_SWITCH)
