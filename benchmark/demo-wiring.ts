import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Engine } from '../core/advice'
import { connectionsOf } from '../core/advice/connections'
import { cleanJpeg } from '../core/foundation/jpeg'
import { DEAD_ACTS, type Payload } from '../core/job'
import type { Hands } from './carry-out'

const FOLDER = join(import.meta.dirname, '..', 'server', 'database', 'seeds', 'photos')

/** Where on a drawn photo something comes off, shares of its width and height. */
const SPOTS = {
  valve: [0.2, 0.5, 0.8].map((x) => ({ x, y: 0.41 })),
  float: [0.26, 0.54, 0.81].map((x) => ({ x, y: 0.15 })),
  hose: [0.225, 0.5, 0.775].map((x) => ({ x, y: 0.26 })),
  terminals: [0.16, 0.3, 0.43].map((x) => ({ x, y: 0.57 })),
} as const
/** What a part looks like, by its kind; a row of terminals otherwise. */
const LOOKS: Readonly<Record<string, keyof typeof SPOTS>> = {
  'solenoid-valve': 'valve',
  'gas-valve': 'valve',
  'pilot-valve': 'valve',
  'float-switch': 'float',
  probe: 'float',
  'flow-switch': 'float',
}

/** A drawn photo as an entry of a job. */
export function photoOf(
  picture: keyof typeof SPOTS | 'tag',
  about: 'wiring' | 'tagged',
): Extract<Payload, { type: 'photo' }> {
  const bytes = readFileSync(join(FOLDER, `${picture}.jpg`))
  const photo = cleanJpeg(bytes)
  if (typeof photo === 'string') throw new Error(`${picture}: ${photo}`)
  const { width, height } = photo
  return { type: 'photo', photo: createHash('sha256').update(bytes).digest('hex'), width, height, about }
}

/**
 * What comes off a part is photographed and named, with what could be taken for it, and comes off, dead.
 *
 * @param part id in its sheet
 * @returns puts it back on; nothing to do where nothing comes off that part
 */
export function takeOff({ machine, catalogue }: Engine, part: string, { put, makeSafe }: Hands): () => void {
  const all = connectionsOf(catalogue)
  const own = all.find((c) => c.part === part)
  if (!own) return () => undefined
  const kind = machine.parts.find((p) => p.id === part)!.kind
  const picture = own.type === 'water' ? 'hose' : (LOOKS[kind] ?? 'terminals')
  const photo = photoOf(picture, 'wiring')
  put(photo, 1)
  const named = [own, ...all.filter((c) => own.twins.includes(c.title))].slice(0, SPOTS[picture].length)
  const labels = named.map(({ title, colours, joins }, i) =>
    put(
      {
        type: 'label',
        name: title,
        ...(colours.length ? { colour: colours.join(', ').slice(0, 40) } : {}),
        ...(joins.length ? { terminal: joins.join(', ').slice(0, 120) } : {}),
        shown: { photo: photo.photo, ...SPOTS[picture][i] },
      },
      1,
    ),
  )
  makeSafe(DEAD_ACTS)
  put({ type: 'disconnected', label: labels[0], name: own.title }, 1)
  return () => put({ type: 'reconnected', label: labels[0] }, 1)
}
