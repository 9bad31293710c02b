import { describe, expect, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { importParts } from '../../../server/areas/parts/import'
import { moveStock, pageOfParts, writePart } from '../../../server/areas/parts/service'
import type { Part, PartFields } from '../../../shared/contracts/parts'
import { codes, entry, open, SHEET, withHouse } from '../house'

const house = withHouse('parts')
const COIL: PartFields & { retired: boolean } = {
  number: 'TH-1',
  title: 'Coil',
  kind: 'inlet coil',
  fits: [SHEET],
  kit: [],
  substitutes: [],
  volts: '230 V',
  degrees: '',
  contact: '',
  thread: '',
  priceMinor: 1900,
  reorderAt: 2,
  retired: false,
}
const counts = (part: Part) => Object.fromEntries(part.stock.map((s) => [s.name, s.count]))
const found = async (q: string) => (await pageOfParts(house.people.mara, { q })).parts

describe('parts and where they lie', () => {
  it('a number stands for one part, whatever its letters; of another organisation it is another', async () => {
    const { mara, ivo } = house.people
    const id = uuidv7()
    await writePart(mara, id, COIL)
    await expect(writePart(mara, uuidv7(), { ...COIL, number: 'th-1' })).rejects.toMatchObject({ statusCode: 409 })
    await writePart(mara, id, { ...COIL, title: 'Coil, 230 V' })
    await writePart(ivo, uuidv7(), COIL)
    expect(await found('th-1 coil')).toMatchObject([{ id, title: 'Coil, 230 V' }])
    await expect(writePart(ivo, id, { ...COIL, number: 'TH-2' })).rejects.toMatchObject({ statusCode: 404 })
    await expect(moveStock(ivo, id, { type: 'received', id: uuidv7(), to: 'shop', count: 1 })).rejects.toMatchObject({
      statusCode: 404,
    })
  })

  it('what is moved is somewhere else, once; what is not there is not taken; two at once take no piece twice', async () => {
    const { mara, joss, ivo } = house.people
    const id = uuidv7()
    await writePart(mara, id, { ...COIL, number: 'TH-3' })
    const received = { type: 'received', id: uuidv7(), to: 'shop', count: 5 } as const
    await moveStock(mara, id, received)
    await moveStock(mara, id, received)
    const move = (count: number) => ({ type: 'moved', id: uuidv7(), from: 'shop', to: joss.id, count }) as const
    expect(counts((await moveStock(mara, id, move(2))).part)).toEqual({ shop: 3, 'Joss E.': 2 })
    await expect(moveStock(mara, id, move(4))).rejects.toMatchObject({ statusCode: 422 })
    const both = await Promise.allSettled([moveStock(mara, id, move(2)), moveStock(joss, id, move(2))])
    expect(both.map((b) => b.status).sort()).toEqual(['fulfilled', 'rejected'])
    expect(counts((await found('TH-3'))[0]!)).toEqual({ shop: 1, 'Joss E.': 4 })
    await expect(moveStock(mara, id, { ...move(1), to: ivo.id })).rejects.toMatchObject({ statusCode: 404 })
    const counted = { type: 'counted', id: uuidv7(), store: joss.id, count: 0 } as const
    expect(counts((await moveStock(joss, id, counted)).part)).toEqual({ shop: 1 })
    // Few enough in the shop to be ordered.
    const low = await pageOfParts(mara, { low: 'true' })
    expect(low.parts.map((p) => p.number)).toContain('TH-3')
  })

  it('what a job used goes out of the van once, comes back with the entry, and goes out again with it', async () => {
    const { mara, joss } = house.people
    const id = uuidv7()
    await writePart(mara, id, { ...COIL, number: 'TH-5' })
    await moveStock(mara, id, { type: 'received', id: uuidv7(), to: joss.id, count: 3 })
    const job = await open(joss)
    const used = entry({ type: 'used', title: 'Coil', number: 'th-5', count: 2, from: 'van' })
    const inVan = async () => counts((await found('TH-5'))[0]!)['Joss E.'] ?? 0
    expect(await codes(joss, job, used)).toEqual(['accepted'])
    expect(await codes(joss, job, used)).toEqual(['duplicate'])
    expect(await inVan()).toBe(1)
    const back = entry({ type: 'retracted', event: used.id })
    // Whoever takes it back: it lies in the van that it came from. Twice is once.
    await codes(mara, job, back, entry({ type: 'retracted', event: used.id }))
    expect(await inVan()).toBe(3)
    await codes(joss, job, entry({ type: 'retracted', event: back.id }))
    expect(await inVan()).toBe(1)
    // What was never booked in is used all the same, and what nobody has the number of is only said.
    const more = entry({ type: 'used', title: 'Coil', number: 'TH-5', count: 4, from: 'van' })
    const other = entry({ type: 'used', title: 'Wire', number: 'none', count: 1, from: 'shop' })
    expect(await codes(joss, job, more, other, entry({ type: 'used', title: 'Tape', count: 1, from: 'van' }))).toEqual([
      'accepted',
      'accepted',
      'accepted',
    ])
    expect(await inVan()).toBe(-3)
  })

  it('a file is taken as a whole or not at all, each wrong row named', async () => {
    const { mara } = house.people
    const rows: Record<string, string>[] = [
      { number: 'F-1', title: 'Float', fits: SHEET, price: '12,50', 'reorder at': '1' },
      { number: 'f-1', title: 'Float again' },
      { number: 'F-2', title: '' },
      { number: 'F-3', title: 'Seal', fits: `${SHEET}; moon`, price: '-3', 'reorder at': '-1' },
      { number: 'F-4', title: 'Nut', colour: 'blue' },
    ]
    const bad = await importParts(mara, rows, true)
    expect(bad.made).toBe(0)
    expect(bad.problems.map((p) => `${p.row} ${p.column}`)).toEqual([
      '2 number',
      '3 title',
      '4 fits',
      '4 price',
      '4 reorder at',
      '5 colour',
    ])
    expect(await found('F-1')).toEqual([])
    expect(await importParts(mara, rows.slice(0, 1), false)).toMatchObject({ made: 0, problems: [] })
    expect(await importParts(mara, rows.slice(0, 1), true)).toMatchObject({ made: 1, changed: 0 })
    expect(await importParts(mara, [{ ...rows[0]!, title: 'Float, short' }], true)).toMatchObject({
      made: 0,
      changed: 1,
    })
    expect(await found('F-1')).toMatchObject([{ title: 'Float, short', priceMinor: 1250, fits: [SHEET], reorderAt: 1 }])
  })
})
