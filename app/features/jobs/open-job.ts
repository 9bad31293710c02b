import { v7 as uuidv7 } from 'uuid'
import type { Person } from '../../../shared/contracts/session'
import type { Unit } from '../../../shared/contracts/units'
import type { ShopRecord } from '../../../core/statistics'
import { deviceDatabase } from '../../data/database'
import { keepRecord } from '../../data/shop-record'
import { enterEvent } from '../../data/enter'

/**
 * Opens a job on this device; it is sent like any other entry, now or when there is a connection.
 *
 * @param code what the machine shows, as the first reading; empty when nothing
 * @param record what the shop has seen of such machines, where that was asked for just now
 * @returns the id of the job
 */
export async function openJob(
  person: Person,
  unit: Unit,
  call: { complaints: string[]; circumstances: string[]; words: string; code: string },
  record?: ShopRecord,
): Promise<string> {
  const job = uuidv7()
  const { revision } = unit
  await Promise.all([
    deviceDatabase().jobs.put({
      person: person.id,
      job,
      unit: { id: unit.id, title: unit.title, customer: unit.customer.name, place: unit.site.name },
      revision,
    }),
    record && keepRecord(person.id, job, record),
  ])
  const { complaints, words, code } = call
  // What is left out says nothing.
  const circumstances = call.circumstances.length ? call.circumstances : undefined
  await enterEvent(person, job, { type: 'opened', unit: unit.id, revision, complaints, circumstances, words }, 0)
  if (code) await enterEvent(person, job, { type: 'reading', test: 'control.code@found', text: code }, 0)
  return job
}
