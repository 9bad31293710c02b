import type { Machine } from '../model/machine'

/** A plug by the name printed beside it, with what is on each pin. */
export interface ConnectorPins {
  id: string
  title: string
  pins: { pin: string; at: string; colour: string; common: boolean }[]
}

/** From so many terminals at one point on it is a common. */
const COMMON_FROM = 3

/** The plugs that a sheet names. */
export function connectorsOf({ sheet, parts, kinds, partIndex, faults }: Machine): ConnectorPins[] {
  const meeting = new Map<number, number>()
  // Insulation is no wire: what it hangs on does not become a common by it; nor by what only a fault puts there.
  const exchanged = new Set(
    faults.flatMap((f) => f.effects.flatMap((e) => (e.type === 'swap' ? [e.partA, e.partB] : []))),
  )
  const wired = parts.filter((p) => !kinds[p.index].isPlace && !exchanged.has(p.index))
  for (const p of wired) for (const node of Object.values(p.nodes)) meeting.set(node, (meeting.get(node) ?? 0) + 1)
  return sheet.connectors.map(({ id, title, pins }) => ({
    id,
    title: title ?? '',
    pins: pins.map(({ pin, part, terminal }) => {
      const own = parts[partIndex.get(part)!]
      const { colour = '' } = sheet.colours.find((c) => c.part === part && c.terminal === terminal) ?? {}
      return {
        pin,
        at: `${own.title}, ${terminal}`,
        colour,
        common: (meeting.get(own.nodes[terminal]) ?? 0) >= COMMON_FROM,
      }
    }),
  }))
}
