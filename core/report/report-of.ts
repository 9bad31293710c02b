import type { Job } from '../job'
import {
  capital,
  describeAbout,
  describeBypassEntry,
  describeEnding,
  describeHelpLine,
  describeNothingFound,
  describeProven,
  describeProvenItem,
  describeStore,
  describeSetting,
} from '../words'
import type { LogLine, Report, ReportJudgement, ReportMachine, ReportReader, ReportUnit } from './contract'

type Told = Omit<Report, 'signature' | 'notSigned'>

const line = ({ at, by }: { at: string; by: string }, text: string): LogLine => ({ at, by, text })

/** What was read, in its order, each with what a healthy machine shows. */
function readingsOf(job: Job, machine: ReportMachine, judgement: ReportJudgement): Report['readings'] {
  return job.log.flatMap((l) => {
    if (l.type !== 'reading') return []
    const judged = judgement.readings[l.event]
    return [
      {
        ...line(l, judged?.text ?? l.text),
        title: judged?.title ?? machine.tests[l.test] ?? l.test,
        verdict: judged?.verdict ?? '',
        fits: judged?.fits ?? 'none',
        meter: l.instrument === undefined ? '' : (machine.meters[l.instrument] ?? l.instrument),
        live: l.live === true,
        ...(judged?.band ? { band: judged.band } : {}),
      },
    ]
  })
}

/** What was found, in plain words: what was off, what was good, what was done in vain. */
function findingsOf(job: Job, machine: ReportMachine, judgement: ReportJudgement): string[] {
  const off = [...new Set(job.log.flatMap((l) => judgement.readings[l.event]?.found || []))]
  const inVain = job.log.flatMap((l) =>
    l.type === 'action' && l.action.verb === 'repair'
      ? [`${capital(machine.repairs[l.action.target ?? ''] ?? l.action.target ?? '')} was done, and it still failed.`]
      : [],
  )
  const good = judgement.proven.length ? [describeProven(judgement.proven)] : []
  const all = [...off, ...inVain, ...good]
  return all.length ? all : [describeNothingFound()]
}

/** What was done of the repairs that were decided, in the order of the hand. */
function doneOf(job: Job, { repairs }: ReportMachine): LogLine[] {
  const decided = job.decisions.map((d) =>
    line(
      d,
      `${capital(repairs[d.repair] ?? d.repair)}${d.as === 'interim' ? `, for now until ${d.until ?? ''}` : ''}.`,
    ),
  )
  const ticked = job.ticks.map((t) => line(t, t.found ? `${t.item}: ${t.found}` : t.item))
  return [...decided, ...ticked].sort((a, b) => a.at.localeCompare(b.at))
}

function bypassesOf(job: Job, { parts }: ReportMachine): LogLine[] {
  return job.log.flatMap((l) => {
    if (l.type !== 'action' || l.action.target === undefined) return []
    const text = describeBypassEntry(l.action.verb, parts[l.action.target] ?? l.action.target)
    return text ? [line(l, text)] : []
  })
}

function closedOf(job: Job, { repairs }: ReportMachine): Pick<Told, 'closed'> {
  if (!job.closed) return {}
  const { at, by, text, as, repair } = job.closed
  const ending = as ? describeEnding(as) : repair ? capital(repairs[repair] ?? repair) : ''
  return { closed: { at, by, text, ending } }
}

function priceOf(job: Job): Pick<Told, 'price'> {
  const last = job.quotes.at(-1)
  if (!last) return {}
  const { currency, lines, answer } = last
  const said = answer ? `${answer.yes ? 'Yes' : 'No'}, ${answer.who}` : ''
  return { price: { currency, lines, total: lines.reduce((sum, l) => sum + l.minor, 0), answer: said } }
}

function warningOf(job: Job): Pick<Told, 'warning'> {
  const left = job.leftUnsafe.at(-1)
  if (!left) return {}
  const signed = job.signed.findLast((s) => s.for === 'warning')
  const refused = job.notSigned.findLast((s) => s.for === 'warning')
  const answer = signed ? `Signed by ${signed.name}` : refused ? `Not signed: ${refused.text}` : ''
  return { warning: { text: left.warning, at: left.at, by: left.by, answer } }
}

function signatureOf(job: Job): Pick<Report, 'signature' | 'notSigned'> {
  const signed = job.signed.findLast((s) => s.for === 'work')
  const refused = job.notSigned.findLast((s) => s.for === 'work')
  if (signed && (!refused || signed.at > refused.at))
    return { signature: { name: signed.name, strokes: signed.strokes, at: signed.at }, notSigned: '' }
  return { notSigned: refused?.text ?? '' }
}

/** What was put in and proved, and the programs that were watched. */
function provedOf(
  job: Job,
  machine: ReportMachine,
): Pick<Report, 'newPart' | 'parts' | 'condemned' | 'proven' | 'runs'> {
  return {
    newPart: job.newParts.map((p) =>
      line(
        p,
        `${machine.checks[`${p.repair} ${p.check}`] ?? p.check}: ${p.text}${p.good ? '' : ', not as a good one'}`,
      ),
    ),
    parts: job.used.map(({ title, number = '', count, from }) => ({ title, number, count, from: describeStore(from) })),
    condemned: job.condemned.map((c) => line(c, `${c.title}: ${c.how}`)),
    proven: job.proven.map((p) => line(p, describeProvenItem(machine.proofs[p.item] ?? p.item, p.as, p.text))),
    runs: job.runs.map((r) => ({
      program: machine.programs[r.program] ?? r.program,
      at: r.at,
      marks: r.marks.map(({ lane, turn, seconds }) => ({ lane: machine.lanes[lane] ?? lane, turn, seconds })),
    })),
  }
}

/** What was noted on the way: bypasses, safety, remarks, photos. */
function notedOf(
  job: Job,
  machine: ReportMachine,
  reader: ReportReader,
): Pick<Report, 'bypasses' | 'safety' | 'remarks' | 'photos'> {
  return {
    bypasses: bypassesOf(job, machine),
    safety: job.safetyLog.map((s) => line(s, machine.safety[s.step] ?? s.step)),
    remarks: job.remarks.filter((r) => reader === 'own' || r.to === 'customer').map((r) => line(r, r.text)),
    photos: job.photos.map(({ photo, width, height, about, at, by }) => ({
      hash: photo,
      width,
      height,
      about: describeAbout(about),
      at,
      by,
    })),
  }
}

/** What is set on the machine: as it was found, as it is left, and what is usual. */
const settingsOf = (job: Job, machine: ReportMachine): string[] =>
  machine.settings.map(({ id, title, usual }) => {
    const said = (as: 'found' | 'left') => job.settings.findLast((s) => s.setting === id && s.as === as)?.text
    return describeSetting({ title, found: said('found'), left: said('left'), usual })
  })

/** Who has entered anything, in the order in which they came. */
const peopleOf = (job: Job, opened: { by: string }): string[] => [
  ...new Set([
    opened.by,
    ...[...job.log, ...job.remarks, ...job.proven, ...job.ticks]
      .toSorted((a, b) => a.at.localeCompare(b.at))
      .map((e) => e.by),
  ]),
]

/**
 * A job as it is told at its end, from its entries, what its machine is called and what the engine makes of it. Pure: the same on a
 * device and on the server.
 *
 * @param id of the job
 * @param reader the customer's copy is without remarks that the own people made for themselves
 */
export function reportOf(
  id: string,
  job: Job,
  unit: ReportUnit,
  machine: ReportMachine,
  judgement: ReportJudgement,
  reader: ReportReader,
): Report {
  const readings = readingsOf(job, machine, judgement)
  const opened = { at: job.openedAt ?? '', by: job.openedBy ?? '' }
  const { title, maker, model, source } = machine
  return {
    job: id,
    reader,
    unit,
    machine: { title, maker, model, source },
    opened,
    ...closedOf(job, machine),
    people: peopleOf(job, opened).filter(Boolean),
    said: { words: job.words, complaints: job.complaints.map((c) => machine.complaints[c] ?? c) },
    findings: findingsOf(job, machine, judgement),
    readings,
    cause: judgement.cause
      ? `${judgement.cause.stands ? '' : 'Probably: '}${judgement.cause.title}`
      : 'No cause was established.',
    done: doneOf(job, machine),
    ...provedOf(job, machine),
    ...priceOf(job),
    ...warningOf(job),
    ...notedOf(job, machine, reader),
    settings: settingsOf(job, machine),
    care: machine.care.map((c) => `${c.every}: ${c.text}. ${c.why}`),
    ...(job.followUp ? { followUp: job.followUp } : {}),
    helpLine: describeHelpLine({
      maker,
      model,
      serial: unit.serial,
      complaints: job.complaints.map((c) => machine.complaints[c] ?? c),
      readings: readings.filter((r) => r.fits === 'bad').map((r) => `${r.title}: ${r.text}`),
      done: job.decisions.map((d) => machine.repairs[d.repair] ?? d.repair),
    }),
    ...signatureOf(job),
  }
}
