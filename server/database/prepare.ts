import { describeArchiveFault } from '../../core/words'
import { takeArchive } from '../areas/archive/service'
import compileSheet from '../engine/compile-sheet'
import { migrateBack } from './migrate'
import { asOwner, prepareTables, said } from './preparation'

/**
 * `tsx server/database/prepare.ts [--from=FILE] [--back=STEPS]`, built as `.output/server/commands/prepare.mjs`: prepares the database of
 * DATABASE_URL as its owner for this state of the program. With `--from` it then takes an archive in, where nobody works yet. With `--back`
 * it does none of that and takes so many of the newest steps of the tables back, for a program of before.
 *
 * @throws Error with everything that is wrong with the archive
 */
async function takeIn(path: string): Promise<void> {
  const taken = await takeArchive(path, compileSheet)
  if (Array.isArray(taken))
    throw new Error(['Nothing was taken in:', ...taken.map((f) => describeArchiveFault(f))].join('\n  '))
  const { organisation, people, jobs, events, photos } = taken
  console.log(
    `${organisation}: ${jobs} jobs with ${events} entries and ${photos} photos were taken in. First passwords, shown this once:`,
  )
  for (const { email, role, password } of people) console.log(`  ${email.padEnd(40)} ${password}   (${role})`)
}

await asOwner(async (owner) => {
  const back = said('back')
  if (back !== undefined) {
    if (!/^[1-9]\d?$/.test(back)) throw new Error('--back says how many steps, 1 or more.')
    return migrateBack(owner, Number(back))
  }
  await prepareTables(owner)
  const archive = said('from')
  if (archive !== undefined) await takeIn(archive)
})
