import type { FaultedMachine } from '../../model/machine'
import type { CacheKeys, SimulationCache } from './cache'
import { influenceOf } from './influence'

/** What a faulted machine's circuit and water network depend on besides its modes. */
export function cacheKeysOf(faulted: FaultedMachine, cache: SimulationCache): CacheKeys {
  const known = cache.keys.get(faulted)
  if (known) return known
  const { machine, values, parts, addedComponents } = faulted
  const { onCircuit, onWater } = influenceOf(machine, cache)
  const keys = { circuit: addedComponents.length ? JSON.stringify(addedComponents) : '', water: '' }
  for (let i = 0; i < values.length; i++) {
    if (values[i] === machine.values[i]) continue
    if (onCircuit.param[i]) keys.circuit += `|${i}=${values[i]}`
    if (onWater.param[i]) keys.water += `|${i}=${values[i]}`
  }
  for (const part of parts) {
    if (part === machine.parts[part.index]) continue
    keys.circuit += `|p${part.index}:${Object.values(part.nodes).join()}`
    keys.water += `|p${part.index}:${Object.values(part.ports).join()}`
  }
  cache.keys.set(faulted, keys)
  return keys
}

/** Key of what depends on some modes, behind what it depends on besides. */
export function keyWithModes(key: string, dependsOn: Int32Array, modes: Int8Array): string {
  let out = key
  for (const mode of dependsOn) out += String.fromCharCode(modes[mode])
  return out
}
