import type { Component, Analysis } from './components'

/**
 * The network as a SPICE netlist that prints every node voltage (AC: real and imaginary part; DC: operating point).
 *
 * @param label a name per node, used in comments only; nodes are `n0` … with 0 the tie of each island
 * @param island the island (its tied node) of each node
 * @param hertz supply frequency for the AC analysis
 */
export function writeNetlist(
  title: string,
  components: readonly Component[],
  island: Int32Array,
  analysis: Analysis,
  hertz: number,
  label: (node: number) => string,
): string {
  const node = (i: number) => (island[i] === i ? '0' : `n${i}`)
  const value = (x: number) => x.toPrecision(12)
  const lines = [`* ${title.replace(/\n/g, ' ')}`]
  island.forEach((root, i) => {
    lines.push(`* ${node(i) === '0' ? `0 (island ${root})` : node(i)} = ${label(i)}`)
  })
  const used = new Set<number>()
  components.forEach((c, k) => {
    const [a, b] = [node(c.a), node(c.b)]
    used.add(c.a).add(c.b)
    switch (c.type) {
      case 'R':
        lines.push(`R${k} ${a} ${b} ${value(c.ohms)}`)
        break
      case 'RL':
        lines.push(`R${k} ${a} m${k} ${value(c.ohms)}`, `L${k} m${k} ${b} ${value(c.henries)}`)
        break
      case 'RC':
        if (analysis === 'ac') lines.push(`R${k} ${a} m${k} ${value(c.ohms)}`, `C${k} m${k} ${b} ${value(c.farads)}`)
        break
      case 'VAC':
      case 'VDC': {
        const dc = c.type === 'VDC' ? value(c.volts) : '0'
        const ac = c.type === 'VAC' ? ` AC ${value(c.volts)}` : ''
        lines.push(`V${k} m${k} ${b} DC ${dc}${ac}`, `R${k} m${k} ${a} ${value(c.ohms)}`)
        break
      }
      case 'RECT':
        used.add(c.c).add(c.d)
        if (analysis === 'dc')
          lines.push(`V${k} m${k} ${node(c.d)} DC ${value(c.volts)}`, `R${k} m${k} ${node(c.c)} ${value(c.ohms)}`)
        else if (Number.isFinite(c.load)) lines.push(`R${k} ${a} ${b} ${value(c.load)}`)
        break
      case 'T':
        used.add(c.c).add(c.d)
        lines.push(
          `R${k} ${a} m${k} ${value(c.ohms)}`,
          `L${k}p m${k} ${b} ${value(c.henries)}`,
          `L${k}s q${k} ${node(c.d)} ${value(c.henries / (c.ratio * c.ratio))}`,
          `K${k} L${k}p L${k}s 1`,
          `R${k}s q${k} ${node(c.c)} ${value(c.ohms2)}`,
        )
    }
  })
  const shown = [...used].filter((i) => island[i] !== i).sort((x, y) => x - y)
  lines.push('.control', 'set numdgt=15')
  lines.push(analysis === 'ac' ? `ac lin 1 ${value(hertz)} ${value(hertz)}` : 'op')
  for (const i of shown)
    lines.push(...(analysis === 'ac' ? [`print real(v(n${i})) imag(v(n${i}))`] : [`print v(n${i})`]))
  lines.push('.endc', '.end')
  return `${lines.join('\n')}\n`
}
