import { Job, Machine } from '../../database/models'

/** Opens a job with its first event. The client makes the ids; sending the same opening twice opens one job. */
export default defineEventHandler(async (event) => {
  const who = await whoAsks(event)
  const body = shaped(openBody, await readBody(event))
  if (body.event.what.is !== 'opened' || body.event.what.machine !== body.machine)
    throw refuse(400, 'wrong-shape', 'A job begins with an event that opens it on the same machine.')
  return withDatabase(async () => {
    const machine = await Machine.findOne({ where: { id: body.machine, organisationId: who.organisation } })
    if (!machine) throw refuse(404, 'not-found', 'There is no such machine.')
    const existing = await Job.findByPk(body.job)
    if (existing && existing.organisationId !== who.organisation)
      throw refuse(409, 'id-taken', 'A job with this id exists already.')
    const facts = await sheetFacts(machine.sheet)
    if (body.event.what.is === 'opened' && !body.event.what.complaints.every((c) => facts.complaints.has(c)))
      throw refuse(422, 'unknown-name', 'This machine knows no such complaint.')
    const job =
      existing ??
      (await Job.create({
        id: body.job,
        organisationId: who.organisation,
        machineId: machine.id,
        openedBy: who.id,
        createdAt: new Date(),
      }))
    await appendEvents(who, job, [body.event])
    setResponseStatus(event, existing ? 200 : 201)
    return { id: job.id }
  })
})
