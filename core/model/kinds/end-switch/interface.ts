import { sensingInterface } from '../sensing-switch'
import type { KindInterface } from '../contract'
import { END_SWITCH } from './end-switch'

export const kindInterface: KindInterface = sensingInterface(END_SWITCH)
