import type { KindInterface } from '../contract'
import { steamWayParams } from '../steam-way'

/** The way that steam takes out of a boiler: pipe, head or nozzle. What the boiler loses to it boils away. */
export const kindInterface: KindInterface = {
  id: 'steam-pipe',
  title: 'steam pipe',
  line: 'water',
  terminals: [],
  ports: [],
  params: steamWayParams,
  refs: { of: 'temperature' },
  endangers: 'heat',
}
