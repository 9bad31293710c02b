import { v5 as uuidv5 } from 'uuid'
import { localOf } from '../../../core/schedule'
import { capital } from '../../../core/words'
import { moveStock, writePart } from '../../areas/parts/service'
import { putCare, putVisit, toPlace } from '../../areas/schedule/service'
import { findPersonById } from '../../areas/session/service'
import { currentSheets } from '../../areas/sheets/service'
import { EBB, units } from './demo-units'

const MARA = '01900000-0000-7000-8000-000000000011'
const JOSS = '01900000-0000-7000-8000-000000000012'
const MINOR = 100
const DAY = 86_400_000
/** An id that is the same each time for the same thing. */
const idOf = (what: string) => uuidv5(what, EBB)

/** Parts of the sheets that the shop's machines have, what lies where of them, the visits of today and tomorrow, and care that comes round. */
export async function loadShop(): Promise<void> {
  const mara = await findPersonById(MARA)
  if (!mara) return
  const own = units.filter((u) => u.organisationId === EBB)
  const numbered = new Map<string, { title: string; price: number; fits: string[] }>()
  for (const { sheet, facts } of await currentSheets())
    for (const { title, partNumber, price } of facts.repairs) {
      if (partNumber === undefined || !own.some((u) => u.sheet === sheet)) continue
      const part = numbered.get(partNumber) ?? {
        title: capital(title.replace(/^new /, '')),
        price: price ?? 0,
        fits: [],
      }
      if (!part.fits.includes(sheet)) part.fits.push(sheet)
      numbered.set(partNumber, part)
    }
  for (const [k, [number, { title, price, fits }]] of [...numbered].sort().entries()) {
    const id = idOf(number)
    await writePart(mara, id, {
      ...{ number, title, kind: title.slice(0, 60), fits: fits.sort(), kit: [], substitutes: [] },
      ...{ volts: '', degrees: '', contact: '', thread: '' },
      ...{ priceMinor: Math.round(price * MINOR), reorderAt: k % 3, retired: false },
    })
    const stores = [
      { to: 'shop', count: (k * 7) % 5 },
      { to: MARA, count: k % 4 === 0 ? 1 : 0 },
      { to: JOSS, count: k % 3 === 1 ? 1 : 0 },
    ]
    for (const { to, count } of stores)
      if (count) await moveStock(mara, id, { type: 'received', id: idOf(`${number} ${to}`), to, count })
  }
  const care = [
    ['quenby-c40', 'Cleaned and sanitised', 90, 75, 88],
    ['tarvost-k6', 'Tank descaled by hardness', 93, 60, 96],
    ['brindlow-s12', 'Descaled by hardness and litres', 90, 120, 40],
    ['quenby-v6', 'Cylinder looked at for lime', 60, 45, 55],
  ] as const
  for (const [sheet, title, everyDays, minutes, ago] of care) {
    const unit = own.find((u) => u.sheet === sheet)!.id
    const lastDone = new Date(Date.now() - ago * DAY).toISOString().slice(0, 10)
    await putCare(mara, idOf(title), { unit, title, everyDays, minutes, lastDone, water: null, retired: false })
  }
  // Who waits for a day has one.
  const jobs = (await toPlace(mara)).jobs.filter((j) => !j.until)
  const days = [0, 1].map((d) => localOf(Date.now() + d * DAY, mara.timeZone).day)
  for (const [k, { job, unit, reason }] of jobs.slice(0, 6).entries()) {
    const when = {
      day: days[k % 4 === 3 ? 1 : 0]!,
      start: 8 * 60 + 30 + Math.floor(k / 2) * 105,
      minutes: 45 + (k % 3) * 15,
    }
    const person = k % 2 ? JOSS : MARA
    const visit = { unit: unit.id, job, carePlan: null, person, ...when, reason, note: '', ended: null, version: 0 }
    await putVisit(mara, idOf(`visit ${job}`), visit)
  }
}
