import type { LogLine, Report, ReportForm } from '../../core/report'
import { capital, formatMoney } from '../../core/words'
import { readingsChart, runChart } from './report-charts'

/** What a report is set from, beside what it tells. */
export interface Setting {
  shop: string
  timeZone: string
  form: ReportForm
  /** JPEG by hash. */
  photos: Readonly<Record<string, Uint8Array>>
  /** How much is left out so that it stays on its page: 0 nothing, then more. */
  tightness: number
}

/** How days and hours are written. */
const CLOCK = 'en-GB'
/** Width between the margins of A4, points. */
const WIDTH = 595 - 2 * 40

type Node = string | { [key: string]: unknown } | Node[]

const heading = (text: string): Node => ({ text, style: 'heading' })
const list = (items: readonly string[]): Node[] => (items.length ? [{ ul: [...items], margin: [0, 0, 0, 2] }] : [])
const section = (title: string, ...content: Node[][]): Node[] => {
  const all = content.flat()
  return all.length ? [heading(title), ...all] : []
}

class Page {
  private readonly moment: Intl.DateTimeFormat
  constructor(
    private readonly report: Report,
    private readonly setting: Setting,
  ) {
    this.moment = new Intl.DateTimeFormat(CLOCK, {
      dateStyle: 'medium',
      timeStyle: 'short',
      timeZone: setting.timeZone,
    })
  }
  private at(iso: string): string {
    return iso ? this.moment.format(new Date(iso)) : ''
  }
  private get short(): boolean {
    return this.setting.form === 'one-page'
  }
  /** As much of a list as there is room for. */
  private most<T>(all: readonly T[], full: number, onOnePage: number): readonly T[] {
    return this.short
      ? all.slice(0, Math.max(1, Math.round(onOnePage / (1 + this.setting.tightness))))
      : all.slice(0, full)
  }
  private lines(all: readonly LogLine[]): Node[] {
    if (!all.length) return []
    return [
      {
        layout: 'noBorders',
        table: {
          widths: [92, 70, '*'],
          body: all.map((l) => [{ text: this.at(l.at), style: 'soft' }, { text: l.by, style: 'soft' }, l.text]),
        },
      },
    ]
  }

  private head(): Node[] {
    const { unit, machine, opened, closed, people, job } = this.report
    return [
      {
        columns: [
          { text: this.setting.shop, style: 'shop' },
          { text: 'Service report', style: 'title', alignment: 'right' },
        ],
      },
      { canvas: [{ type: 'line', x1: 0, y1: 2, x2: WIDTH, y2: 2, lineWidth: 1.5 }], margin: [0, 2, 0, 6] },
      {
        columns: [
          [
            { text: unit.title, bold: true },
            { text: [machine.title, unit.serial ? `, serial ${unit.serial}` : ''] },
            { text: `${unit.customer}, ${unit.place}` },
          ],
          [
            { text: `Called ${this.at(opened.at)}` },
            { text: closed ? `Closed ${this.at(closed.at)} by ${closed.by}` : 'Still open' },
            { text: `By ${people.join(', ')}` },
            { text: `Job ${job}`, style: 'soft' },
          ],
        ],
        columnGap: 20,
      },
    ]
  }
  private readings(): Node[] {
    const off = this.report.readings.filter((r) => r.fits === 'bad')
    const rest = this.report.readings.filter((r) => r.fits !== 'bad')
    // On one page what is off comes first and goes last.
    const shown = this.short ? this.most([...off, ...rest], 400, 9) : this.report.readings
    if (!shown.length) return []
    const bold = (text: string) => ({ text, bold: true })
    return [
      {
        layout: 'hair',
        table: {
          headerRows: 1,
          dontBreakRows: true,
          widths: ['*', 62, 130, 78],
          body: [
            ['Reading', 'Shown', 'Judged', 'With, by, when'].map((text) => ({ text, style: 'soft' })),
            ...shown.map((r) => [
              r.title,
              r.fits === 'bad' ? bold(r.text) : r.text,
              r.verdict,
              { text: [r.meter, r.by, this.at(r.at)].filter(Boolean).join(', '), style: 'soft' },
            ]),
          ],
        },
      },
      ...(shown.length < this.report.readings.length
        ? [
            {
              text: `${this.report.readings.length - shown.length} more readings stand in the full report.`,
              style: 'soft',
            },
          ]
        : []),
    ]
  }
  private charts(): Node[] {
    if (this.short) return []
    const readings = readingsChart(this.report.readings, WIDTH)
    const run = this.report.runs.at(-1)
    const course = run && runChart(run, WIDTH)
    return [
      ...(readings ? [heading('Readings beside what a healthy machine shows'), { svg: readings, width: WIDTH }] : []),
      ...(course ? [heading(`${run.program}, watched ${this.at(run.at)}`), { svg: course, width: WIDTH }] : []),
    ]
  }
  private price(): Node[] {
    const { price } = this.report
    if (!price) return []
    const money = (minor: number) => formatMoney(minor, price.currency)
    return [
      {
        layout: 'noBorders',
        table: {
          widths: ['*', 80],
          body: [
            ...price.lines.map((l) => [l.text, { text: money(l.minor), alignment: 'right' }]),
            [
              { text: `In all, as told to the customer${price.answer ? ` (${price.answer})` : ''}`, bold: true },
              { text: money(price.total), bold: true, alignment: 'right' },
            ],
          ],
        },
      },
    ]
  }
  private photos(): Node[] {
    const own = this.report.photos.filter((p) => this.setting.photos[p.hash])
    const shown = this.most(own, 12, this.setting.tightness > 1 ? 0 : 2)
    const width = this.short ? 120 : 240
    const rows: Node[] = []
    for (let k = 0; k < shown.length; k += 2)
      rows.push({
        columns: shown.slice(k, k + 2).map((p) => [
          {
            image: `data:image/jpeg;base64,${Buffer.from(this.setting.photos[p.hash]!).toString('base64')}`,
            fit: [width, this.short ? 90 : 180],
          },
          { text: `${p.about}, ${p.by}, ${this.at(p.at)}`, style: 'soft' },
        ]),
        columnGap: 12,
        margin: [0, 2, 0, 4],
      })
    return this.short && this.setting.tightness > 1 ? [] : rows
  }
  private signature(): Node[] {
    const { signature, notSigned } = this.report
    const [w, h] = [220, 60]
    if (!signature) return notSigned ? [{ text: `Not signed: ${notSigned}` }] : []
    return [
      {
        canvas: signature.strokes.map((s) => ({
          type: 'polyline',
          lineWidth: 1.1,
          points: Array.from({ length: s.length / 2 }, (_, k) => ({
            x: (s[2 * k]! / 1000) * w,
            y: (s[2 * k + 1]! / 1000) * h,
          })),
        })),
        margin: [0, 4, 0, 0],
      },
      { text: `Signed by ${signature.name}, ${this.at(signature.at)}` },
    ]
  }

  /** What stands in the full report alone. */
  private logs(): Node[] {
    if (this.short) return []
    const { bypasses, safety, helpLine } = this.report
    return [
      ...section('Bypasses', bypasses.length ? this.lines(bypasses) : ['None was put in.']),
      ...section('Made safe', this.lines(safety)),
      ...section("Ready for the maker's help line", list(helpLine)),
    ]
  }

  content(): Node[] {
    const r = this.report
    const { closed, warning, followUp } = r
    const own = (text: string): Node[] => (text ? [{ text }] : [])
    return [
      ...this.head(),
      ...(warning
        ? [
            heading('Left out of service'),
            { text: warning.text, bold: true },
            { text: `${warning.by}, ${this.at(warning.at)}. ${warning.answer}` },
          ]
        : []),
      ...section('What was said', own(r.said.words ? `“${r.said.words}”` : ''), own(r.said.complaints.join('; '))),
      ...section('What was found', list(this.most(r.findings, 200, 6))),
      ...section('Cause', own(capital(r.cause))),
      ...section(
        'What was done',
        own(closed?.ending ?? ''),
        own(closed?.text ?? ''),
        this.short ? [] : this.lines(r.done),
      ),
      ...section(
        'Parts',
        list(r.parts.map((p) => `${p.count} × ${p.title}${p.number ? `, ${p.number}` : ''} (${p.from})`)),
        this.short ? [] : this.lines(r.newPart),
        this.short ? [] : this.lines(r.condemned),
      ),
      ...section(
        'What shows that it works',
        this.short
          ? list(
              this.most(
                r.proven.map((p) => p.text),
                99,
                8,
              ),
            )
          : this.lines(r.proven),
      ),
      ...section('Readings', this.readings()),
      ...this.charts(),
      ...section('Price', this.price()),
      ...section('Remarks', this.lines(this.most(r.remarks, 99, 3))),
      ...section('Photos', this.photos()),
      ...section(
        'Care',
        list(this.most(r.care, 99, 4)),
        this.short ? [] : list(r.settings.map((s) => `Setting: ${s}`)),
        own(followUp ? `Looked at again on ${followUp.on}: ${followUp.why}` : ''),
      ),
      ...this.logs(),
      ...section('Signature', this.signature()),
    ]
  }
}

/** A report as a document for pdfmake. */
export function documentOf(report: Report, setting: Setting): Record<string, unknown> {
  const one = setting.form === 'one-page'
  return {
    pageSize: 'A4',
    pageMargins: [40, 36, 40, 40],
    info: {
      title: `Service report: ${report.unit.title}`,
      author: setting.shop,
      creator: 'Duckweed',
      producer: 'Duckweed',
    },
    defaultStyle: { font: 'Roboto', fontSize: one ? 9 - 0.6 * setting.tightness : 9.5, lineHeight: 1.15 },
    styles: {
      shop: { fontSize: 13, bold: true },
      title: { fontSize: 13 },
      heading: { fontSize: one ? 10 : 11.5, bold: true, margin: [0, one ? 6 : 10, 0, 2] },
      soft: { color: '#52605b', fontSize: one ? 7.5 : 8 },
    },
    content: new Page(report, setting).content(),
    footer: (page: number, pages: number) => ({
      columns: [
        { text: report.reader === 'own' ? 'For our own people: not for the customer' : '', style: 'soft' },
        { text: `${page} of ${pages}`, alignment: 'right', style: 'soft' },
      ],
      margin: [40, 8, 40, 0],
    }),
  }
}
