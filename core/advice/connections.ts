import type { Procedure, TestCatalogue } from '../diagnosis/catalogue'

/** Leads, plugs or hoses of one part, as they come off for some test. */
export interface Connection {
  part: string
  title: string
  type: 'electric' | 'water'
  /** What they go to, in words. */
  joins: string[]
  /** Colours of its wires, where the sheet says them. */
  colours: string[]
  /** Parts of the same make at the same place: what comes off one fits the other. */
  twins: string[]
}

/** Whether hands take something off for it that has to be put back where it was. */
export const takesOff = ({ needs }: Pick<Procedure, 'needs'>): boolean =>
  needs.loosened.some(({ type }) => type !== 'clips')

/** All that comes off a machine for one test or another, in the order of its parts. */
export function connectionsOf({ machine, procedures }: TestCatalogue): Connection[] {
  const { parts, sheet, kinds } = machine
  const loosened = procedures.flatMap((p) => p.needs.loosened)
  const joinsOf = (id: string, medium: 'wiring' | 'water') => {
    const others = sheet[medium].flatMap(({ joints }) =>
      joints.flatMap(([a, b]) => (a.part === id ? [b.part] : b.part === id ? [a.part] : [])),
    )
    return [...new Set(others)].map((other) => parts.find((p) => p.id === other)!.title)
  }
  const isOff = (part: number, type: Connection['type']) =>
    loosened.some((l) => l.part === part && (l.type === 'leads') === (type === 'electric') && l.type !== 'clips')
  // A valve whose leads come off is known by them; its hose has a name of its own.
  const typeOf = (part: number) => (['electric', 'water'] as const).find((type) => isOff(part, type))
  const connections = parts.flatMap((own) => {
    const type = kinds[own.index].isPlace ? undefined : typeOf(own.index)
    if (type === undefined) return []
    const joins = joinsOf(own.id, type === 'electric' ? 'wiring' : 'water')
    const colours = sheet.colours.filter((c) => c.part === own.id).map(({ colour }) => colour)
    return [{ own, part: own.id, title: own.title, type, joins, colours: type === 'electric' ? colours : [] }]
  })
  return connections.map(({ own, ...c }) => ({
    ...c,
    twins: connections
      .filter((o) => o.own !== own && o.type === c.type && o.own.kind === own.kind && o.own.panel === own.panel)
      .map((o) => o.title),
  }))
}
