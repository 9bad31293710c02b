import { describe, expect, it } from 'vitest'
import { v7 as uuidv7 } from 'uuid'
import { random } from '../../../core/truth'
import { findAnything } from '../../../server/areas/find/service'
import { writePart } from '../../../server/areas/parts/service'
import { units } from '../../../server/database/seeds/demo-units'
import { open, withHouse } from '../house'

const house = withHouse('find')
const found = async (q: string, who = house.people.mara) => (await findAnything(who, q)).found
const titles = async (q: string) => (await found(q)).map((f) => `${f.kind} ${f.title}`)

const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()
const tokens = (text: string) =>
  plain(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean)

describe('anything by any word', () => {
  it('each kind of thing: by name, place, complaint, number, without accents and by its beginnings', async () => {
    const { mara } = house.people
    const job = await open(mara, undefined, 'since the quay was flooded')
    const rest = { kit: ['Diaphragm'], fits: [], substitutes: [], kind: 'inlet valve' }
    const figures = { volts: '230 V', degrees: '', contact: '', thread: 'R 3/4', priceMinor: null, reorderAt: 0 }
    await writePart(mara, uuidv7(), { number: 'VX-77.2', title: 'Inlet valve', ...rest, ...figures, retired: false })
    expect(await titles('fish dock')).toContain('customer Fish Dock No. 2')
    expect(await titles('cafe')).toContain('customer Net Loft Café')
    expect(await titles('packing')).toContain('site Packing hall')
    expect((await found('TL-40 laun left'))[0]).toMatchObject({ kind: 'unit', title: 'Orrisk TL-40, laundry left' })
    expect((await found('quay flood'))[0]).toMatchObject({ kind: 'job', id: job })
    expect((await found('vx-77'))[0]).toMatchObject({ kind: 'part', title: 'VX-77.2 Inlet valve' })
    expect((await found('diaphragm'))[0]).toMatchObject({ kind: 'part' })
  })
  it('typed wrong by a letter or two, it is found and said what it was taken for', async () => {
    for (const [typed, meant] of [
      ['habor ligths', 'Harbour Lights Hostel'],
      ['bakrey', 'Quay Bakery'],
      ['maritme', 'Maritime Garden'],
      ['steem cabin', 'The Steam Cabin'],
    ] as const)
      expect(await titles(typed), typed).toContain(`customer ${meant}`)
    const answer = await findAnything(house.people.mara, 'bakrey')
    expect(answer.meant).toMatchObject([{ typed: 'bakrey' }])
    expect(answer.meant[0]!.words).toContain('bakery')
    expect((await findAnything(house.people.mara, 'zzqqxxyy')).found).toEqual([])
  })
  it('is all that has every word, by an independent look through all machines', async () => {
    const next = random(7)
    const own = units.filter((u) => u.organisationId === house.people.mara.organisation)
    const wordsOf = (u: (typeof own)[number]) => tokens(`${u.title} ${u.customer} ${u.site}`)
    for (let i = 0; i < 60; i++) {
      const list = wordsOf(own[Math.floor(next() * own.length)]!)
      const asked = [0, 1].map(() => {
        const word = list[Math.floor(next() * list.length)]!
        return word.slice(0, 1 + Math.floor(next() * word.length))
      })
      const expected = own.filter((u) => asked.every((a) => wordsOf(u).some((w) => w.startsWith(a))))
      const all = await found(asked.join(' '))
      if (all.length === 30) continue
      expect(
        all
          .filter((f) => f.kind === 'unit')
          .map((f) => f.id)
          .sort(),
        asked.join(' '),
      ).toEqual(expected.map((u) => u.id).sort())
    }
  })
  it('what is renamed is found by its new name; of another organisation nothing; what is typed is never read as anything else', async () => {
    const [row] = (await house.db.query("SELECT id FROM customers WHERE name = 'Quay Bakery'"))[0] as { id: string }[]
    await house.db.query("UPDATE customers SET name = 'Anchor Buns' WHERE id = :id", { replacements: { id: row!.id } })
    expect((await found('anchor buns prover')).map((f) => f.kind)).toContain('unit')
    expect((await found('quay bakery')).map((f) => f.kind)).not.toContain('unit')
    expect(await found('fish', house.people.ivo)).toEqual([])
    for (const typed of ["'; DROP TABLE jobs; --", ':* & | ! ( )', '\\', "a'b", '   ', '😀', '!!!', 'ß', '-'])
      await expect(findAnything(house.people.mara, typed)).resolves.toHaveProperty('found')
  })
})
