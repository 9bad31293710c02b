import { erasedSince } from '../../shared/contracts/erasure'
import { deviceDatabase } from './database'
import { keep, keptAs } from './fetched'
import { call } from './http'
import { say } from './tabs'

/** Until when this device has asked what was erased, under this name. */
const ASKED = 'erased until'

/**
 * Lets go what this device keeps of jobs of which something was erased since it last asked: their entries, photos and what is half typed, and every list, for
 * names stand in those. What waits in the outbox stays. Does nothing without a connection; the next time does it.
 */
export async function letGoErased(person: string): Promise<void> {
  const after = await keptAs(person, ASKED)
  const answer = await call(erasedSince, typeof after === 'string' ? { query: { after } } : {})
  if (answer.erasures.length) {
    const { jobs, events, photos, drafts, lists } = deviceDatabase()
    for (const job of answer.jobs) {
      await jobs.delete([person, job])
      await events.where('[person+job]').equals([person, job]).delete()
      await photos.where('[person+job+sent]').equals([person, job, 1]).delete()
      // What is half typed at a job stands under its id.
      await drafts
        .where('[person+key]')
        .between([person, `${job}:`], [person, `${job};`])
        .delete()
    }
    await lists.where('person').equals(person).delete()
    say({ type: 'erased', jobs: answer.jobs })
  }
  await keep(person, ASKED, answer.until)
  if (answer.more) await letGoErased(person)
}
