import { createServer, type AddressInfo } from 'node:net'
import { afterEach, beforeAll, describe, expect, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import type { MeterReads } from '../../../core/metering'
import { random } from '../../../core/truth'
import { mayReach } from '../../../server/areas/meters/addresses'
import type { LinkNews } from '../../../server/areas/meters/link'
import { ownMeter } from '../../../server/areas/meters/repository'
import { allowMeter, listMeters, removeMeter, watchMeter } from '../../../server/areas/meters/service'
import { Instrument } from '../../../stand-ins/meter/instrument'
import { Line } from '../../../stand-ins/meter/line'
import { Session } from '../../../stand-ins/meter/session'
import { withHouse } from '../house'

const house = withHouse('meters')
beforeAll(() => void (process.env.METER_LOCAL = '1'))

const lines: { close(): Promise<void> | void }[] = []
afterEach(async () => {
  for (const line of lines.splice(0)) await line.close()
})
const VOLTS: { reads: MeterReads; range: number } = { reads: 'volts-ac', range: 0 }

/** A simulated meter with 118 V between its tips. */
async function simulated(): Promise<{ line: Line; port: number }> {
  const meter = new Instrument(random(1), (measures) => (measures === 'RES' ? 821 : 118))
  const line = new Line(() => new Session(meter, 'M1', () => Promise.resolve()))
  lines.push(line)
  return { line, port: await line.listen(0) }
}
async function allowed(port: number, host = '127.0.0.1'): Promise<string> {
  const id = uuidv7()
  await allowMeter(house.people.mara, id, { name: `bench ${port}`, host, port })
  return id
}
/** Looks at a meter and keeps what it hears. */
async function watch(id: string, after?: { link: string; n: number }, asked = VOLTS) {
  const news: LinkNews[] = []
  const leave = await watchMeter(house.people.joss, id, asked, after, (n) => news.push(n))
  const readings = () => news.flatMap((n) => (n.type === 'reading' ? [n.reading] : []))
  const states = () => news.flatMap((n) => (n.type === 'state' ? [n.state] : []))
  return { news, leave, readings, states }
}

describe('where a line may lead', () => {
  it.each([
    ['192.168.4.20', true, true],
    ['10.0.0.7', true, true],
    ['fd12::1', true, true],
    ['127.0.0.1', false, true],
    ['127.9.9.9', false, true],
    ['::1', false, true],
    ['::ffff:127.0.0.1', false, true],
    ['::ffff:7f00:1', false, true],
    ['169.254.169.254', false, true],
    ['fe80::1%eth0', false, true],
    ['0.0.0.0', false, false],
    ['::', false, false],
    ['224.0.0.1', false, false],
    ['255.255.255.255', false, false],
    ['64:ff9b::7f00:1', false, false],
    ['meter', false, false],
  ])('%s', (address, usually, local) => {
    expect(mayReach(address, false)).toBe(usually)
    expect(mayReach(address, true)).toBe(local)
  })
  it('a lead allows it, for their own organisation, and nobody else sees it', async () => {
    const { mara, joss, ivo } = house.people
    const id = uuidv7()
    process.env.METER_LOCAL = '0'
    const local = { name: 'own', host: '127.0.0.1', port: 5025 }
    await expect(allowMeter(mara, id, local)).rejects.toMatchObject({ statusCode: 422 })
    process.env.METER_LOCAL = '1'
    await allowMeter(mara, id, local)
    expect((await listMeters(joss)).meters.map((m) => m.id)).toContain(id)
    expect((await listMeters(ivo)).meters).toEqual([])
    await expect(watchMeter(ivo, id, VOLTS, undefined, () => undefined)).rejects.toMatchObject({ statusCode: 404 })
    await expect(allowMeter(ivo, id, local)).rejects.toMatchObject({ statusCode: 404 })
    await expect(removeMeter(ivo, id)).rejects.toMatchObject({ statusCode: 404 })
    await removeMeter(mara, id)
    expect((await listMeters(mara)).meters.map((m) => m.id)).not.toContain(id)
  })
  it('what was allowed once is judged anew when a line is opened', async () => {
    const { port } = await simulated()
    const id = await allowed(port)
    process.env.METER_LOCAL = '0'
    const { states, leave } = await watch(id)
    await expect.poll(() => states().at(-1)?.why).toBe('address-refused')
    process.env.METER_LOCAL = '1'
    leave()
    await removeMeter(house.people.mara, id)
  })
})

describe('a line to a meter', () => {
  it('readings come in order; a page that was away gets what it missed, one that is new all that is kept', async () => {
    const { port } = await simulated()
    const id = await allowed(port)
    const first = await watch(id)
    await expect.poll(() => first.readings().length).toBeGreaterThan(5)
    for (const { si } of first.readings()) expect(Math.abs(si! - 118)).toBeLessThan(0.5)
    first.leave()
    const seen = first.readings().at(-1)!
    await new Promise((r) => setTimeout(r, 400))
    const back = await watch(id, seen)
    await expect.poll(() => back.readings().length).toBeGreaterThan(3)
    const all = [...first.readings(), ...back.readings()]
    expect(all.map((r) => r.n)).toEqual(all.map((_, i) => i + 1))
    expect(all.every((r, i) => i === 0 || r.at >= all[i - 1]!.at)).toBe(true)
    const fresh = await watch(id)
    expect(fresh.readings()[0]!.n).toBe(1)
    // Set to something else by one, it is so for all, and no reading is of what was before.
    const ohms = await watch(id, undefined, { reads: 'ohms', range: 0 })
    await expect.poll(() => back.states().at(-1)).toMatchObject({ is: 'open', reads: 'ohms' })
    const from = back.readings().length
    await expect.poll(() => back.readings().length).toBeGreaterThan(from + 3)
    for (const { si } of back.readings().slice(from)) expect(Math.abs(si! - 821)).toBeLessThan(3)
    // Who looks now gets nothing of what was read before.
    const late = await watch(id, undefined, { reads: 'ohms', range: 0 })
    for (const { si } of late.readings()) expect(Math.abs(si! - 821)).toBeLessThan(3)
    for (const w of [back, fresh, ohms, late]) w.leave()
    await removeMeter(house.people.mara, id)
  })
  it('a line that breaks is said and opened again; nothing that was read is lost', async () => {
    const { line, port } = await simulated()
    const id = await allowed(port)
    const own = await watch(id)
    await expect.poll(() => own.readings().length).toBeGreaterThan(3)
    await line.drop(0.7)
    await expect.poll(() => own.states().map((s) => s.why)).toContain('broken')
    const before = own.readings().length
    await expect.poll(() => own.readings().length, { timeout: 8000 }).toBeGreaterThan(before + 2)
    expect(own.readings().map((r) => r.n)).toEqual(own.readings().map((_, i) => i + 1))
    own.leave()
    await removeMeter(house.people.mara, id)
  })
  it('nonsense is said and left out; a meter that never answers, or floods, is given up and tried again', async () => {
    const { line, port } = await simulated()
    const id = await allowed(port)
    const own = await watch(id)
    await expect.poll(() => own.readings().length).toBeGreaterThan(2)
    line.garble(2)
    await expect.poll(() => own.news.filter((n) => n.type === 'nonsense').length).toBe(2)
    const before = own.readings().length
    await expect.poll(() => own.readings().length).toBeGreaterThan(before)
    expect(own.states().at(-1)!.is).toBe('open')
    own.leave()
    await removeMeter(house.people.mara, id)

    const flood = createServer((socket) => {
      socket.on('error', () => undefined)
      socket.write('x'.repeat(100_000))
    })
    lines.push({ close: () => void flood.close() })
    await new Promise<void>((r) => flood.listen(0, '127.0.0.1', r))
    const bad = await allowed((flood.address() as AddressInfo).port)
    const other = await watch(bad)
    await expect.poll(() => other.states().map((s) => s.why)).toContain('nonsense')
    expect(other.readings()).toEqual([])
    other.leave()
    await removeMeter(house.people.mara, bad)
  })
  it('one that is moved or no longer allowed is given up at once: whoever looks at it asks anew', async () => {
    const [here, there] = [await simulated(), await simulated()]
    const id = await allowed(here.port)
    const own = await watch(id)
    await expect.poll(() => own.readings().length).toBeGreaterThan(2)
    await allowMeter(house.people.mara, id, { name: 'moved', host: '127.0.0.1', port: there.port })
    expect(own.news.at(-1)).toEqual({ type: 'over' })
    own.leave()
    const again = await watch(id)
    await expect.poll(() => again.readings().length).toBeGreaterThan(2)
    expect(again.readings()[0]!.link).not.toBe(own.readings()[0]!.link)
    await removeMeter(house.people.mara, id)
    expect(again.news.at(-1)).toEqual({ type: 'over' })
    await expect(watch(id)).rejects.toMatchObject({ statusCode: 404 })
    again.leave()
  })
  it('one process owns a meter: another waits until it is let go', async () => {
    const { port } = await simulated()
    const id = await allowed(port)
    // As another process would.
    const release = await ownMeter(id, () => undefined)
    expect(release).toBeDefined()
    const own = await watch(id)
    await expect.poll(() => own.states().at(-1)?.why).toBe('taken')
    release!()
    await expect.poll(() => own.readings().length, { timeout: 8000 }).toBeGreaterThan(1)
    expect(await ownMeter(id, () => undefined)).toBeUndefined()
    own.leave()
    await removeMeter(house.people.mara, id)
  })
})
