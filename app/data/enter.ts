import { EVENT_VERSION, soundText, type JobEvent, type Payload } from '../../core/job'
import { v7 as uuidv7 } from 'uuid'
import { deviceDatabase, plainEvent } from './database'
import { deviceId, nextOrdinal } from './device'
import { say } from './tabs'

/** What no store can carry is left out where it is typed. */
const cleaned = (payload: Payload): Payload =>
  JSON.parse(JSON.stringify(payload), (_, value: unknown) =>
    typeof value === 'string' ? soundText(value) : value,
  ) as Payload

/**
 * Enters something at a job: kept on the device first, then sent by whichever tab leads.
 *
 * @param baseSeq the last sequence of the job that this device has seen
 * @throws when the device cannot keep it; nothing has been entered then
 */
export async function enterEvent(
  person: { id: string; name: string },
  job: string,
  payload: Payload,
  baseSeq: number,
): Promise<JobEvent> {
  const ordinal = nextOrdinal()
  const event: JobEvent = {
    id: uuidv7(),
    version: EVENT_VERSION,
    at: new Date().toISOString(),
    device: deviceId(),
    ordinal,
    baseSeq,
    payload: cleaned(payload),
  }
  await deviceDatabase().outbox.add({
    id: event.id,
    event: plainEvent(event),
    state: 'waiting',
    code: '',
    message: '',
    person: person.id,
    personName: person.name,
    job,
    ordinal,
  })
  say({ type: 'entered', job })
  return event
}
