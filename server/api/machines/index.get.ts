import { Machine } from '../../database/models'

/** The machines of the asking organisation, with what they are looked for by and what their codes mean. */
export default defineEventHandler(async (event) => {
  const who = await whoAsks(event)
  const machines = await withDatabase(() =>
    Machine.findAll({ where: { organisationId: who.organisation }, order: ['customer', 'title'] }),
  )
  return {
    machines: await Promise.all(
      machines.map(async ({ id, sheet, title, customer, place }) => {
        const { words, codes } = await sheetWords(sheet)
        return { id, sheet, title, customer, place, words: [title, customer, place, ...words], codes }
      }),
    ),
  }
})
