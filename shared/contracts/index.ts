import * as accounts from './accounts'
import * as archive from './archive'
import * as erasure from './erasure'
import * as figures from './figures'
import * as find from './find'
import * as health from './health'
import * as jobs from './jobs'
import * as meters from './meters'
import * as organisation from './organisation'
import * as parts from './parts'
import * as people from './people'
import * as photos from './photos'
import * as reports from './reports'
import * as schedule from './schedule'
import * as session from './session'
import * as sheets from './sheets'
import * as units from './units'
import type { Contract } from './contract'

/** Every route that answers; the streams stand apart: of news in `news.ts`, of a meter in `meters.ts`. */
export const CONTRACTS: Record<string, Contract> = Object.fromEntries(
  [
    accounts,
    archive,
    erasure,
    figures,
    find,
    health,
    jobs,
    meters,
    organisation,
    parts,
    people,
    photos,
    reports,
    schedule,
    session,
    sheets,
    units,
  ].flatMap((area) =>
    Object.entries(area).filter(
      (entry): entry is [string, Contract] =>
        typeof entry[1] === 'object' && entry[1] !== null && 'method' in entry[1] && 'answer' in entry[1],
    ),
  ),
)
