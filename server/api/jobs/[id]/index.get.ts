import { Machine } from '../../../database/models'

/** A job: its machine and every event. */
export default defineEventHandler(async (event) => {
  const who = await whoAsks(event)
  const { id } = shaped(idParam, getRouterParams(event))
  return withDatabase(async () => {
    const job = await jobOf(who, id)
    const machine = await Machine.findByPk(job.machineId)
    const { id: machineId, title, customer, place, sheet } = machine!
    return { id: job.id, machine: { id: machineId, title, customer, place, sheet }, events: await shownEvents(job.id) }
  })
})
