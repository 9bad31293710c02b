import { defineStore } from 'pinia'
import { ref } from 'vue'
import {
  person as personShape,
  signIn,
  signOut,
  updateKit,
  whoAmI,
  type Person,
} from '../../../shared/contracts/session'
import { recall, remember } from '../../data/device'
import { ApiError, call } from '../../data/http'
import { say } from '../../data/tabs'

const KEPT = 'duckweed:person'
/** Longest wait for who is signed in before the device's own memory counts, ms. */
const PATIENCE = 4000

function keptPerson(): Person | null {
  const read = personShape.safeParse(JSON.parse(recall(KEPT) ?? 'null'))
  return read.success ? read.data : null
}

/**
 * Who is signed in on this device. Without a connection it is who was signed in last: the entries made meanwhile are
 * theirs, and wait until they are back.
 */
export const useSession = defineStore('session', () => {
  const person = ref<Person | null>()

  const keep = (who: Person | null) => {
    person.value = who
    remember(KEPT, who ? JSON.stringify(who) : undefined)
  }
  async function look(): Promise<Person | null> {
    if (person.value !== undefined) return person.value
    try {
      keep((await call(whoAmI, { patience: PATIENCE })).person)
    } catch (error) {
      // Too old for the server: the page still stands, keeps what waits and offers the newer one.
      if (!(error instanceof ApiError) || !(error.transient || error.status === 426)) throw error
      person.value = keptPerson()
    }
    return person.value ?? null
  }
  /** The server no longer knows this session. */
  function expire(): void {
    person.value = null
  }
  async function enter(email: string, password: string): Promise<void> {
    const before = keptPerson()
    const { person: who } = await call(signIn, { body: { email, password } })
    const { eraseFetched } = await import('../../data/database')
    if (before?.id !== who.id) await eraseFetched().catch(() => undefined)
    keep(who)
    say({ type: 'session', person: who.id })
  }
  async function leave(): Promise<void> {
    await call(signOut)
    const { eraseFetched } = await import('../../data/database')
    await eraseFetched().catch(() => undefined)
    keep(null)
    say({ type: 'session', person: undefined })
  }
  /** Says what the person has to measure with. */
  async function equip(kit: NonNullable<Person['kit']>): Promise<void> {
    keep((await call(updateKit, { body: kit })).person)
  }
  /** What holds for the person may have changed: it is asked for anew. */
  async function renew(): Promise<void> {
    const { person: who } = await call(whoAmI)
    if (who) keep(who)
  }
  return { person, look, renew, expire, enter, leave, equip }
})
