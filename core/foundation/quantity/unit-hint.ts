/** Units as people type them on a keyboard that has no such letter, with how they are written here. */
const TYPED: Readonly<Record<string, string>> = {
  cm2: 'cm²',
  m2: 'm²',
  mm2: 'mm²',
  'uS/cm': 'µS/cm',
  uS: 'µS/cm',
  uF: 'µF',
  R: 'Ω',
  litre: 'L',
  litres: 'L',
  liter: 'L',
  lpm: 'L/min',
  degC: '°C',
  degF: '°F',
  mins: 'min',
  secs: 's',
  hour: 'h',
  hours: 'h',
}

/** How a unit that was typed otherwise is written, such as `cm²` for `cm2`; `undefined` where nothing like it is known. */
export function unitHint(text: string): string | undefined {
  const [, typed] = /^[^a-zA-Zµ]*([a-zA-Z][\w/]*)/.exec(text.replace(/^(at least|at most)\s+/, '')) ?? []
  return typed === undefined ? undefined : TYPED[typed]
}
