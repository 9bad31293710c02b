import * as start from './0001-start'
import * as house from './0002-house'
import * as workModes from './0003-work-modes'
import * as reopenedUnsafe from './0004-reopened-unsafe'
import * as knownSince from './0005-known-since'
import * as photos from './0006-photos'
import * as kit from './0007-kit'
import * as predictions from './0008-predictions'
import * as meters from './0009-meters'
import * as costs from './0010-costs'
import * as reports from './0011-reports'
import * as parts from './0012-parts'
import * as schedule from './0013-schedule'
import * as findable from './0014-findable'
import * as results from './0015-results'
import * as broughtIn from './0016-brought-in'
import * as erasure from './0017-erasure'
import * as signIn from './0018-sign-in'

/** The steps to the tables of today, the first one first. */
export const MIGRATIONS = [
  start,
  house,
  workModes,
  reopenedUnsafe,
  knownSince,
  photos,
  kit,
  predictions,
  meters,
  costs,
  reports,
  parts,
  schedule,
  findable,
  results,
  broughtIn,
  erasure,
  signIn,
]
