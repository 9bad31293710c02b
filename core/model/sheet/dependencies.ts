import { assemblyUsesOf } from './assembly-uses'
import { parseLayer } from './layer'

/**
 * Ids of the sheets that a sheet names itself: the one it extends, then its sub-assemblies in the order of writing; those
 * that they name in turn are not looked up. A text that is not YAML names none.
 */
export function dependenciesOf(text: string, file: string): string[] {
  const layer = parseLayer(file, text)
  if (!layer.ok) return []
  const { extends: base } = (layer.value.raw ?? {}) as { extends?: unknown }
  const assemblies = assemblyUsesOf(layer.value.raw).map((use) => use.assembly)
  return [...new Set([...(typeof base === 'string' ? [base] : []), ...assemblies])]
}
