import { Machine } from '../../../database/models'

/** The sheet of a machine with everything it extends, as text: the worker in the browser runs it. */
export default defineEventHandler(async (event) => {
  const who = await whoAsks(event)
  const { id } = shaped(idParam, getRouterParams(event))
  const machine = await withDatabase(() => Machine.findOne({ where: { id, organisationId: who.organisation } }))
  if (!machine) throw refuse(404, 'not-found', 'There is no such machine.')
  return { sheets: await sheetTexts(machine.sheet) }
})
