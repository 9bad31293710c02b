import 'fake-indexeddb/auto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { deviceDatabase, entriesOf, eraseFetched, keptEvents, waitingByPerson } from '../../app/data/database'
import { enterEvent } from '../../app/data/enter'
import { keepPhoto, NoRoomError, photoOf, unsentPhotos } from '../../app/data/photos'
import { Sender } from '../../app/data/sender'
import { hear, type Message } from '../../app/data/tabs'
import type { JobEvent } from '../../core/job'

const MARA = { id: 'mara', name: 'Mara E.' }
const JOSS = { id: 'joss', name: 'Joss E.' }
const note = (text: string) => ({ type: 'note' as const, text })

/** What the wire does with each request, in turn; the last way goes on. */
let wire: ((events: JobEvent[], person: string) => Response)[]
let requests: { job: string; person: string; texts: string[] }[]
let heard: Message[]
/** Photos that have arrived, and what the wire does with one. */
let photos: string[]
let photoWire = (address: string) => {
  photos.push(/photos\/(.*)$/.exec(address)![1]!)
  return json(200, { hash: photos.at(-1), width: 1, height: 1 })
}
let deaf: () => void
let sender: Sender | undefined

const json = (status: number, body: object) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json' } })
const taken = (events: JobEvent[]) =>
  json(200, { results: events.map((e, i) => ({ id: e.id, status: 'accepted', seq: i + 1 })), clockOffset: 0 })
const refusing = (code: string) => (events: JobEvent[]) =>
  json(200, { results: events.map((e) => ({ id: e.id, status: 'refused', code, message: 'Why.' })), clockOffset: 0 })
const until = async (what: () => boolean | Promise<boolean>) => {
  for (let i = 0; i < 300 && !(await what()); i++) await new Promise((go) => setTimeout(go, 20))
  expect(await what()).toBe(true)
}
async function start(person = MARA): Promise<Sender> {
  sender = new Sender(person.id, person.name)
  await sender.start()
  return sender
}

beforeEach(async () => {
  await deviceDatabase().outbox.clear()
  await eraseFetched()
  requests = []
  heard = []
  wire = [taken]
  deaf = hear((message) => {
    heard.push(message)
    if (message.type === 'entered') void sender?.takeUp(message.job)
  })
  photos = []
  globalThis.fetch = (input, init) => {
    if (init!.method === 'PUT') return Promise.resolve(photoWire(String(input)))
    const { events } = JSON.parse(String(init!.body)) as { events: JobEvent[] }
    const person = new Headers(init!.headers).get('x-duckweed-person')!
    const job = /jobs\/([^/]+)\//.exec(String(input))![1]!
    requests.push({ job, person, texts: events.map((e) => (e.payload as { text: string }).text) })
    const way = wire.length > 1 ? wire.shift()! : wire[0]!
    return Promise.resolve().then(() => way(events, person))
  }
})
afterEach(() => {
  sender?.end()
  sender = undefined
  deaf()
})

describe('what waits on a device', () => {
  it('is sent for its person alone, oldest first, and moves to the events of the job when it is taken', async () => {
    await enterEvent(MARA, 'a', note('1'), 0)
    await enterEvent(JOSS, 'a', note('not mine'), 0)
    await enterEvent(MARA, 'a', note('2'), 0)
    await start()
    await until(async () => (await entriesOf('mara', 'a')).length === 0)
    expect(requests).toEqual([{ job: 'a', person: 'mara', texts: ['1', '2'] }])
    expect((await keptEvents('mara', 'a')).map((e) => [e.seq, e.by])).toEqual([
      [1, 'Mara E.'],
      [2, 'Mara E.'],
    ])
    expect(await waitingByPerson()).toEqual(new Map([['joss', { name: 'Joss E.', waiting: 1, refused: 0 }]]))
    expect(heard).toContainEqual({ type: 'job', job: 'a', seq: 2 })
  })
  it('outlives failures of every sort and a new start, and is said to wait', async () => {
    wire = [() => new Response('<h1>proxy</h1>', { status: 403 })]
    await start()
    await enterEvent(MARA, 'a', note('1'), 0)
    await until(() => heard.some((m) => m.type === 'trouble' && m.trouble !== undefined))
    sender!.end()
    expect((await entriesOf('mara', 'a')).map((e) => e.state)).toEqual(['waiting'])
    wire = [() => json(401, { error: { code: 'not-signed-in', message: 'Sign in first.' } }), taken]
    const again = await start()
    await until(() => requests.length === 2)
    again.due()
    await until(async () => (await entriesOf('mara', 'a')).length === 0)
    expect(heard.at(-1)).toMatchObject({ type: 'job' })
  })
  it('a refused entry stays with its reason over a new start, until its person sends it again or discards it', async () => {
    wire = [refusing('closed'), taken]
    await start()
    const first = await enterEvent(MARA, 'a', note('1'), 0)
    await until(async () => (await entriesOf('mara', 'a'))[0]?.state === 'refused')
    sender!.end()
    const again = await start()
    await new Promise((go) => setTimeout(go, 100))
    expect(requests).toHaveLength(1)
    expect(await entriesOf('mara', 'a')).toMatchObject([{ state: 'refused', code: 'closed', message: 'Why.' }])
    again.settle('a', first.id, 'resent')
    await until(async () => (await entriesOf('mara', 'a')).length === 0)
    wire = [refusing('closed')]
    const second = await enterEvent(MARA, 'a', note('2'), 0)
    await until(async () => (await entriesOf('mara', 'a'))[0]?.state === 'refused')
    again.settle('a', second.id, 'discarded')
    await until(async () => (await entriesOf('mara', 'a')).length === 0)
    expect((await keptEvents('mara', 'a')).map((e) => (e.payload as { text: string }).text)).toEqual(['1'])
  })
  it('a photo goes before the event that names it, once, and one that the server will not have refuses no other entry', async () => {
    const kept = photoWire
    let quota = 2_000_100
    vi.stubGlobal('navigator', { storage: { estimate: () => Promise.resolve({ quota, usage: 100 }) } })
    await expect(keepPhoto('mara', 'a', new Blob(['no room']))).rejects.toThrow(NoRoomError)
    quota *= 2
    const photo = await keepPhoto('mara', 'a', new Blob(['one']))
    const entry = { type: 'photo' as const, photo, width: 1, height: 1, about: 'wiring' as const }
    await enterEvent(MARA, 'a', entry, 0)
    wire = [
      (events) => {
        expect(photos).toEqual([photo])
        return taken(events)
      },
    ]
    const own = await start()
    await until(async () => (await entriesOf('mara', 'a')).length === 0)
    expect(await unsentPhotos('mara', 'a')).toBe(0)
    expect(await (await photoOf('mara', 'a', photo)).text()).toBe('one')
    photoWire = () => json(413, { error: { code: 'too-large', message: 'Too large.' } })
    const large = await keepPhoto('mara', 'a', new Blob(['two']))
    wire = [taken]
    await enterEvent(MARA, 'a', { ...entry, photo: large }, 0)
    await enterEvent(MARA, 'a', note('after it'), 0)
    await until(async () => (await entriesOf('mara', 'a')).length === 1)
    expect(await entriesOf('mara', 'a')).toMatchObject([{ state: 'refused', code: 'too-large' }])
    // What is not on the server outlives whoever signs out; what is discarded waits no more.
    await eraseFetched()
    expect(await unsentPhotos('mara', 'a')).toBe(1)
    const [refusedPhoto] = await entriesOf('mara', 'a')
    own.settle('a', refusedPhoto!.id, 'discarded')
    await until(async () => (await unsentPhotos('mara', 'a')) === 0)
    photoWire = kept
    vi.unstubAllGlobals()
  })
  it('one job that cannot be sent does not hold up another', async () => {
    globalThis.fetch = ((inner) => (input: string, init: RequestInit) =>
      input.includes('/a/') ? Promise.reject(new TypeError('no line')) : inner(input, init))(
      globalThis.fetch as (i: string, n: RequestInit) => Promise<Response>,
    ) as typeof fetch
    await enterEvent(MARA, 'a', note('1'), 0)
    await enterEvent(MARA, 'b', note('2'), 0)
    await start()
    await until(async () => (await entriesOf('mara', 'b')).length === 0)
    expect(await entriesOf('mara', 'a')).toHaveLength(1)
  })
  it('characters that no store can carry are left out where they are typed', async () => {
    const event = await enterEvent(MARA, 'a', note('8\u00001\ud830'), 0)
    expect(event.payload).toEqual(note('81'))
  })
  it('signing out erases what can be fetched again, and nothing that waits', async () => {
    const db = deviceDatabase()
    await db.sheets.put({ revision: 'r', files: [] })
    await db.drafts.put({ person: 'mara', key: 'k', value: 'v' })
    await enterEvent(MARA, 'a', note('1'), 0)
    await eraseFetched()
    expect([await db.sheets.count(), await db.drafts.count(), await db.outbox.count()]).toEqual([0, 0, 1])
  })
})
