import { CALIBRATION, type Constant } from '../core/diagnosis/calibration'

const SECTIONS: Record<string, string> = {
  hypotheses: 'Hypotheses',
  predict: 'Predictions',
  belief: 'Belief',
  plan: 'Plan',
}

const written = (value: unknown): string =>
  typeof value === 'number'
    ? String(Number(value.toPrecision(4)))
    : Array.isArray(value)
      ? value.map(written).join(', ')
      : typeof value === 'object' && value
        ? Object.entries(value)
            .map(([name, v]) => `${name} ${written(v)}`)
            .join(' · ')
        : String(value)

const row = (name: string, c: Constant<unknown>): string =>
  `| ${name} | ${written(c.value)} | ${c.unit} | ${c.meaning} | ${c.source} |`

/** The page of the calibration record, for docs/calibration.md. */
export function describeCalibration(): string {
  const sections = Object.entries(CALIBRATION).map(([section, constants]) =>
    [
      `## ${SECTIONS[section]}`,
      '',
      '| constant | value | unit | meaning | source |',
      '|---|---|---|---|---|',
      ...Object.entries(constants).map(([name, c]) => row(name, c)),
    ].join('\n'),
  )
  return `# The constants of the model

Made from \`core/diagnosis/calibration/record.ts\` by \`npm run schema\`. An engine takes them when it is made
(\`createEngine(sheet, { calibration: calibrate({ belief: { grossError: 0.05 } }) })\`), so that a benchmark or a shop can vary
them. "Judgement" means that nobody has measured it: calls that were recorded and repaired would be the source.

${sections.join('\n\n')}
`
}
