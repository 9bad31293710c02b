import { sensingBehaviour } from '../sensing-switch'
import type { KindBehaviour } from '../contract'
import { END_SWITCH } from './end-switch'

export const kindBehaviour: KindBehaviour = sensingBehaviour(END_SWITCH)
