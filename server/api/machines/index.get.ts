import { Machine } from '../../database/models'

/** The machines of the asking organisation, with the complaints their sheets know. */
export default defineEventHandler(async (event) => {
  const who = await whoAsks(event)
  const machines = await withDatabase(() =>
    Machine.findAll({ where: { organisationId: who.organisation }, order: ['customer', 'title'] }),
  )
  return { machines: machines.map(({ id, sheet, title, customer, place }) => ({ id, sheet, title, customer, place })) }
})
