import { defineNitroPlugin } from '#imports'
import { reckonOutlooksBy } from '../areas/schedule/service'
import { outlookInPool } from '../engine/pool'

/** At start: what jobs will probably take is reckoned by the pool. */
export default defineNitroPlugin(() => reckonOutlooksBy(outlookInPool))
