import { ref, watch } from 'vue'
import { UNIT_SYSTEMS, type UnitSystem } from '../../../core/foundation/quantity'

const KEPT = 'duckweed:units'
function read(): UnitSystem {
  try {
    return UNIT_SYSTEMS.find((s) => s === localStorage.getItem(KEPT)) ?? 'metric'
  } catch {
    return 'metric'
  }
}
const system = ref(read())
watch(system, (now) => {
  try {
    localStorage.setItem(KEPT, now)
  } catch {
    // This browser keeps nothing: the choice holds until the page is left.
  }
})

/** The units that somebody reads in; kept on this device. */
export const useUnitSystem = () => ({ system })
