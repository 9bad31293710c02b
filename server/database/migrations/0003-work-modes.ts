import { QueryTypes, type Sequelize } from 'sequelize'

export const name = '0003-work-modes'

type Written = Record<string, unknown>

const WORK_MODES: Record<string, string> = { live: 'energised', dead: 'isolated', water: 'water', look: 'observe' }

const test = ({ school, shape, ...rest }: Written): Written => {
  const { takes, ...more } = shape as Written
  return { workMode: WORK_MODES[school as string], shape: { type: takes, ...more }, ...rest }
}
const meter = ({ says, ...rest }: Written): Written => ({ ...rest, yesNo: says })
const complaint = ({ says, ...rest }: Written): Written => ({ ...rest, words: says })
const need = ({ before, ...rest }: Written): Written => ({ ...rest, before: WORK_MODES[before as string] ?? before })

const each = (record: unknown, change: (value: Written) => Written): Written =>
  Object.fromEntries(Object.entries(record as Record<string, Written>).map(([key, value]) => [key, change(value)]))

/** Facts of a revision with today's words for what a test asks for and how it is written. */
const renamed = (facts: Written): Written => ({
  ...facts,
  tests: each(facts.tests, test),
  meters: each(facts.meters, meter),
  complaints: (facts.complaints as Written[]).map(complaint),
  needs: (facts.needs as Written[]).map(need),
})

/** The facts kept with revisions get today's words. What a revision is made of stays as it is. */
export async function up(sequelize: Sequelize): Promise<void> {
  const rows = await sequelize.query<{ hash: string; facts: Written }>('SELECT hash, facts FROM sheet_revisions', {
    type: QueryTypes.SELECT,
  })
  for (const { hash, facts } of rows)
    await sequelize.query('UPDATE sheet_revisions SET facts = $1 WHERE hash = $2', {
      bind: [JSON.stringify(renamed(facts)), hash],
    })
}

export async function down(): Promise<void> {}
