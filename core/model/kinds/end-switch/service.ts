import { sensingService } from '../sensing-switch'
import type { KindService } from '../contract'
import { END_SWITCH } from './end-switch'
import { changed } from '../works'

export const kindService: KindService = {
  ...sensingService(END_SWITCH),
  works: {
    replace: changed('near zero and open as its lever is worked, ten times'),
  },
}
