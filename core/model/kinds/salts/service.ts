import type { KindService } from '../contract'

export const kindService: KindService = {}
