import { sensingService } from '../sensing-switch'
import type { KindService } from '../contract'
import { HUMIDITY_CONTROL } from './humidity-control'
import { changed } from '../works'

export const kindService: KindService = {
  ...sensingService(HUMIDITY_CONTROL),
  works: {
    replace: changed('over and back with a damp cloth round its feeler'),
  },
}
