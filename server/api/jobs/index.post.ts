import { Job, Machine } from '../../database/models'

/** Opens a job with its first event. The client makes the ids; sending the same opening twice opens one job. */
export default defineEventHandler(async (event) => {
  const who = await whoAsks(event)
  const body = shaped(openBody, await readBody(event))
  if (body.event.what.is !== 'opened' || body.event.what.machine !== body.machine)
    throw refuse(400, 'wrong-shape', 'A job begins with an event that opens it on the same machine.')
  return withDatabase(async (db) => {
    const machine = await Machine.findOne({ where: { id: body.machine, organisationId: who.organisation } })
    if (!machine) throw refuse(404, 'not-found', 'There is no such machine.')
    const opened = await db.transaction(async (transaction) => {
      const { id: openedBy, organisation: organisationId } = who
      const row = { id: body.job, organisationId, machineId: machine.id, openedBy, createdAt: new Date() }
      const before = await Job.count({ where: { id: body.job }, transaction })
      await Job.bulkCreate([row], { ignoreDuplicates: true, transaction })
      const job = await Job.findOne({ where: { id: body.job, organisationId }, transaction })
      if (!job) throw refuse(409, 'id-taken', 'A job with this id exists already.')
      await appendEvents(who, job, [body.event], transaction)
      return before === 0
    })
    setResponseStatus(event, opened ? 201 : 200)
    return { id: body.job }
  })
})
