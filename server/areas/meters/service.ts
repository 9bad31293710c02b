import type { MeterReads } from '../../../core/metering'
import type { Meter } from '../../../shared/contracts/meters'
import type { Person } from '../../../shared/contracts/session'
import { apiError, notFound } from '../../platform/errors'
import { isIP } from 'node:net'
import { localIsAllowed, mayReach } from './addresses'
import { MeterLink, type LinkNews } from './link'
import * as rows from './repository'

/** More lines one process does not hold. */
const MOST_LINKS = 32
/** Who finds no room asks again after this, ms. */
const ASK_AGAIN = 5000

const links = new Map<string, MeterLink>()
process.once('SIGTERM', () => {
  for (const link of links.values()) link.end()
})

const toMeter = ({ id, name, host, port }: Meter): Meter => ({ id, name, host, port })

export async function listMeters(who: Person): Promise<{ meters: Meter[] }> {
  return { meters: (await rows.metersOf(who.organisation)).map(toMeter) }
}

/** Allows a meter, or moves one; a line that stands goes by what was allowed before no longer. */
export async function allowMeter(
  who: Person,
  id: string,
  { name, host, port }: Omit<Meter, 'id'>,
): Promise<{ meter: Meter }> {
  // A name is judged by what it means when a line is opened.
  if (isIP(host) && !mayReach(host, localIsAllowed())) throw apiError(422, 'no-such-address')
  const written = await rows.writeMeter({
    id,
    organisationId: who.organisation,
    name,
    host,
    port,
    allowedBy: who.id,
  })
  if (!written) throw notFound('meter')
  links.get(id)?.end()
  return { meter: { id, name, host, port } }
}

export async function removeMeter(who: Person, id: string): Promise<{ removed: string }> {
  if (!(await rows.deleteMeter(who.organisation, id))) throw notFound('meter')
  links.get(id)?.end()
  return { removed: id }
}

/**
 * Looks at a meter of one's own organisation.
 *
 * @param after what was seen last: the link, and the number of its reading; left out, all that is still there comes first
 * @returns how to look away
 */
export async function watchMeter(
  who: Person,
  id: string,
  asked: { reads: MeterReads; range: number },
  after: { link: string; n: number } | undefined,
  hears: (news: LinkNews) => void,
): Promise<() => void> {
  if (who.role === 'read-only') throw apiError(403, 'not-your-role')
  const meter = await rows.findMeter(who.organisation, id)
  if (!meter) throw notFound('meter')
  let link = links.get(id)
  if (!link) {
    if (links.size >= MOST_LINKS) {
      hears({ type: 'state', state: { is: 'lost', why: 'too-many', ...asked } })
      const again = setTimeout(() => hears({ type: 'over' }), ASK_AGAIN)
      return () => clearTimeout(again)
    }
    const made = new MeterLink(meter, asked.reads, asked.range, () => {
      if (links.get(id) === made) links.delete(id)
    })
    links.set(id, (link = made))
  }
  link.set(asked.reads, asked.range)
  return link.hear(hears, after && after.link === link.id ? after.n : 0)
}
