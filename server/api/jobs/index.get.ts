import { foldJob } from '../../../core/job'
import { Job, Machine } from '../../database/models'

/** The newest hundred jobs of the asking organisation. */
export default defineEventHandler(async (event) => {
  const who = await whoAsks(event)
  return withDatabase(async () => {
    const jobs = await Job.findAll({
      where: { organisationId: who.organisation },
      order: [['createdAt', 'DESC']],
      limit: 100,
    })
    const machines = new Map(
      (await Machine.findAll({ where: { organisationId: who.organisation } })).map((m) => [m.id, m]),
    )
    return {
      jobs: await Promise.all(
        jobs.map(async (job) => {
          const state = foldJob(await eventsOf(job.id))
          const machine = machines.get(job.machineId)!
          const { says } = await sheetFacts(machine.sheet)
          return {
            id: job.id,
            createdAt: job.createdAt.toISOString(),
            machine: machine.title,
            customer: machine.customer,
            place: machine.place,
            complaints: state.complaints.map((c) => says.get(c) ?? c),
            words: state.words,
            readings: state.log.filter((l) => l.is === 'reading').length,
            closed: state.closed !== undefined,
          }
        }),
      ),
    }
  })
})
