import { defineStore } from 'pinia'
import { v7 as uuidv7 } from 'uuid'
import { foldJob, type Happening, type JobEvent } from '../../core/job'

type Shown = JobEvent & { by?: string }

interface Answer {
  id: string
  machine: { id: string; title: string; customer: string; place: string; sheet: string }
  events: Shown[]
}

const RETRY_MS = 2500

function deviceName(): string {
  let name = localStorage.getItem('device')
  if (!name) localStorage.setItem('device', (name = uuidv7()))
  return name
}

/**
 * One job on this device: the events the server has, and those still to be sent. Unsent events are kept on the
 * device until the server has acknowledged them, through reloads and outages.
 */
export const useJob = defineStore('job', () => {
  const id = ref('')
  const machine = ref<Answer['machine']>()
  const kept = ref<Shown[]>([])
  const unsent = ref<JobEvent[]>([])
  const trouble = ref<string>()
  const refused = ref<string>()
  const loading = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  let sending = false

  const events = computed(() => [...kept.value, ...unsent.value])
  const state = computed(() => foldJob(events.value))
  const shelf = (job: string) => `unsent:${job}`
  const keep = () => localStorage.setItem(shelf(id.value), JSON.stringify(unsent.value))
  const later = (act: () => Promise<void>) => {
    clearTimeout(timer)
    timer = setTimeout(() => void act(), RETRY_MS)
  }

  async function load(job: string): Promise<void> {
    if (id.value !== job) {
      id.value = job
      machine.value = undefined
      kept.value = []
      refused.value = undefined
      unsent.value = JSON.parse(localStorage.getItem(shelf(job)) ?? '[]') as JobEvent[]
    }
    loading.value = true
    try {
      const answer = await ask<Answer>(`/api/jobs/${job}`)
      machine.value = answer.machine
      kept.value = answer.events
      trouble.value = undefined
      loading.value = false
      await send()
    } catch (error) {
      if (!(error instanceof AskError)) throw error
      trouble.value = error.message
      if (error.away) later(() => load(job))
      else loading.value = false
    }
  }

  /** Sends what is waiting, oldest first, and tries again as long as nobody answers. */
  async function send(): Promise<void> {
    if (sending || !unsent.value.length) return
    sending = true
    const batch = unsent.value.slice(0, 100)
    const done = (ids: string[]) => {
      unsent.value = unsent.value.filter((e) => !ids.includes(e.id))
      keep()
    }
    try {
      await ask(`/api/jobs/${id.value}/events`, 'POST', { events: batch })
      kept.value.push(...batch)
      done(batch.map((e) => e.id))
      trouble.value = undefined
    } catch (error) {
      if (!(error instanceof AskError)) throw error
      if (error.away) {
        trouble.value = error.message
        later(send)
      } else if (error.status === 401) {
        await navigateTo({ path: '/sign-in', query: { to: `/jobs/${id.value}` } })
      } else if (batch.length > 1) {
        await sendSingly(batch, done)
      } else {
        refused.value = error.message
        done(batch.map((e) => e.id))
      }
    } finally {
      sending = false
    }
    if (!trouble.value && unsent.value.length) await send()
  }

  /** One of a batch is refused: each is sent alone, so that the others are kept. Stops when nobody answers. */
  async function sendSingly(batch: JobEvent[], done: (ids: string[]) => void): Promise<void> {
    for (const e of batch) {
      try {
        await ask(`/api/jobs/${id.value}/events`, 'POST', { events: [e] })
        kept.value.push(e)
      } catch (error) {
        if (!(error instanceof AskError)) throw error
        if (error.away) {
          trouble.value = error.message
          return later(send)
        }
        refused.value = error.message
      }
      done([e.id])
    }
  }

  /** Enters something: shown at once, kept on the device, sent when possible. */
  function enter(what: Happening): JobEvent {
    const event: JobEvent = { id: uuidv7(), v: 1, at: new Date().toISOString(), device: deviceName(), what }
    unsent.value.push(event)
    keep()
    refused.value = undefined
    void send()
    return event
  }

  function leave(): void {
    clearTimeout(timer)
  }

  return { id, machine, events, state, unsent, trouble, refused, loading, load, enter, leave }
})
