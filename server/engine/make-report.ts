import { constants, setPriority } from 'node:os'
import { join } from 'node:path'
import pdfmake from 'pdfmake'
import { createEngine, judgementOf, readEach, reportMachineOf } from '../../core/advice'
import { orThrow } from '../../core/foundation/result'
import { foldJob, writtenOf } from '../../core/job'
import { readSheet } from '../../core/model/sheet'
import { reportOf } from '../../core/report'
import type { ReportOrder } from '../areas/reports/service'
import { documentOf } from './report-layout'

// This thread alone: whoever stands in front of a machine is answered first.
setPriority(constants.priority.PRIORITY_LOW)

/** A report of one page is made tighter so often at most, until it is one. */
const TIGHTEST = 3

/** Lines between rows alone. */
const LAYOUTS = {
  hair: {
    hLineWidth: (i: number) => (i === 0 ? 0 : 0.5),
    vLineWidth: () => 0,
    hLineColor: () => '#b9beb6',
    paddingLeft: () => 0,
  },
}

const FONTS = join(import.meta.dirname, 'fonts')
pdfmake.addFonts({
  Roboto: {
    normal: join(FONTS, 'Roboto-Regular.ttf'),
    bold: join(FONTS, 'Roboto-Medium.ttf'),
    italics: join(FONTS, 'Roboto-Italic.ttf'),
    bolditalics: join(FONTS, 'Roboto-MediumItalic.ttf'),
  },
})
pdfmake.addTableLayouts(LAYOUTS)
// Nothing is fetched, and nothing read but the fonts.
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((path: string) => path.startsWith(FONTS))

/** How many pages a document of pdfkit has: each is an object of its own, in the open. */
const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type \/Page\b(?!s)/g)?.length ?? 0

/**
 * A report of a job as a PDF: the machine is run for its verdicts, so never in a request.
 *
 * @throws Error for a sheet that can no longer be read
 */
export default async function makeReport(order: ReportOrder): Promise<Uint8Array> {
  const { files, form, shop, timeZone, photos } = order
  const [own] = files
  const job = foldJob(order.events)
  const fitted = (job.options ?? []).map(({ id, fitted }) => ({ id, fitted }))
  const sheet = orThrow(readSheet(own!.text, own!.file, (id) => files.find((f) => f.id === id), fitted))
  const engine = createEngine(sheet)
  const read = readEach(engine, writtenOf(job))
  const advice = engine.advise(read.map((r) => r.evidence))
  const events = read.flatMap((r) => (r.evidence.type === 'reading' ? [r.event] : []))
  const judgement = judgementOf(engine, advice, events)
  const report = reportOf(order.job, job, order.unit, reportMachineOf(engine), judgement, order.reader)
  for (let tightness = 0; ; tightness++) {
    const document = documentOf(report, { shop, timeZone, form, photos, tightness })
    const pdf = await pdfmake.createPdf(document as never).getBuffer()
    if (form === 'full' || tightness >= TIGHTEST || pagesOf(pdf) <= 1) return pdf
  }
}
