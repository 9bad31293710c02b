import { v7 as uuidv7 } from 'uuid'
import type { Person } from '../../../shared/contracts/session'
import type { Unit } from '../../../shared/contracts/units'
import { deviceDatabase } from '../../data/database'
import { enterEvent } from '../../data/enter'

/**
 * Opens a job on this device; it is sent like any other entry, now or when there is a connection.
 *
 * @param code what the machine shows, as the first reading; empty when nothing
 * @returns the id of the job
 */
export async function openJob(
  person: Person,
  unit: Unit,
  call: { complaints: string[]; circumstances: string[]; words: string; code: string },
): Promise<string> {
  const job = uuidv7()
  const { revision } = unit
  await deviceDatabase().jobs.put({
    person: person.id,
    job,
    unit: { id: unit.id, title: unit.title, customer: unit.customer.name, place: unit.site.name },
    revision,
  })
  const { complaints, words, code } = call
  // What is left out says nothing.
  const circumstances = call.circumstances.length ? call.circumstances : undefined
  await enterEvent(person, job, { type: 'opened', unit: unit.id, revision, complaints, circumstances, words }, 0)
  if (code) await enterEvent(person, job, { type: 'reading', test: 'control.code@found', text: code }, 0)
  return job
}
