import AxeBuilder from '@axe-core/playwright'
import type { Page } from '@playwright/test'

/** What is measured at one turn of a call on a page: all counts and shares, none of them known to the page itself. */
export interface TurnMeasure {
  /** The act and the line that says how stand on the screen, uncovered, without scrolling. */
  atHand: boolean
  /** Layout shift since the turn before, the shifts that follow a tap counted in. */
  shift: number
  /** What moved most in it, with how far, px. */
  moved: string[]
  /** How often what stood there as a question was exchanged before it was answered. */
  exchanged: number
  /** Parts called proven whose fault stands among the suspects, or faulty though it leads nowhere. */
  contradictions: string[]
  /** Labels cut or lying over another. */
  labels: string[]
  /** Lines of the picture that run behind a box that they do not join. */
  lines: number
}

/** A turn that shifts more is to be looked into. */
export const MOST_SHIFT = 0.05

/** An entry of the browser's own watch for shifts. */
interface Shift {
  value: number
  sources: { node: Node | null; previousRect: DOMRect; currentRect: DOMRect }[]
}

/** Begins to watch a page: shifts, long tasks, and every exchange of what is asked. To be called before it is opened. */
export async function watchPage(page: Page): Promise<void> {
  // A loader that names functions does so in what it sends to the page too.
  await page.addInitScript('globalThis.__name ??= (own) => own')
  await page.addInitScript(() => {
    const seen = { shift: 0, moved: [] as string[], tasks: [] as number[], asked: [] as { at: number; what: string }[] }
    Object.assign(window, { seen })
    new PerformanceObserver((list) => {
      for (const e of list.getEntries() as unknown as Shift[]) {
        seen.shift += e.value
        for (const { node, previousRect: a, currentRect: b } of e.sources) {
          const own = node instanceof Element ? node : node?.parentElement
          const name = own?.closest('[aria-label]')?.getAttribute('aria-label') ?? ''
          const what = `${name} ${own?.className ?? ''} "${own?.textContent?.trim().slice(0, 30) ?? ''}"`
          seen.moved.push(`${e.value.toFixed(3)} ${what} ${Math.round(b.x - a.x)}, ${Math.round(b.y - a.y)}`)
        }
      }
    }).observe({ type: 'layout-shift', buffered: true })
    new PerformanceObserver((list) => {
      for (const e of list.getEntries()) seen.tasks.push(e.duration)
    }).observe({ type: 'longtask', buffered: true })
    let last = ''
    const look = () => {
      const card = document.querySelector('section[aria-label^="Test: "]')
      const what = card
        ? `${card.getAttribute('aria-label')} ${card.querySelector('[aria-label="How to take it"]')?.textContent ?? ''}`
        : document.querySelector('section[aria-label="The cause"]')
          ? 'the cause'
          : ''
      if (what && what !== last) {
        last = what
        seen.asked.push({ at: performance.now(), what })
      }
    }
    new MutationObserver(look).observe(document, {
      subtree: true,
      childList: true,
      attributes: true,
      characterData: true,
    })
  })
}

/** Counts of one turn begin here. */
export const newTurn = (page: Page) =>
  page.evaluate(() => {
    const { seen } = window as unknown as {
      seen: { shift: number; moved: string[]; tasks: number[]; asked: unknown[] }
    }
    seen.shift = 0
    seen.moved = []
    seen.tasks = []
    seen.asked = []
  })

/** From now on tasks are counted anew. */
export const newTasks = (page: Page) =>
  page.evaluate(() => {
    ;(window as unknown as { seen: { tasks: number[] } }).seen.tasks = []
  })

/** Longest task since the turn began, ms; 0 where none was long. */
export const longestTask = (page: Page) =>
  page.evaluate(() => Math.max(0, ...(window as unknown as { seen: { tasks: number[] } }).seen.tasks))

/**
 * Measures the turn as it stands.
 *
 * @param exchanges how often the question was rightly exchanged since `newTurn`: 1 after an answer, 0 else
 */
export async function measureTurn(page: Page, exchanges: number): Promise<TurnMeasure> {
  const found = await page.evaluate(() => {
    const { seen } = window as unknown as { seen: { shift: number; moved: string[]; asked: unknown[] } }
    const box = (e: Element) => e.getBoundingClientRect()
    const onScreen = (r: DOMRect) =>
      r.top >= -0.5 && r.bottom <= innerHeight + 0.5 && r.left >= -0.5 && r.right <= innerWidth + 0.5
    const uncovered = (e: Element) => {
      const r = box(e)
      return [
        [r.left + 3, r.top + 3],
        [r.right - 3, r.bottom - 3],
      ].every(([x, y]) => {
        const top = document.elementFromPoint(x!, y!)
        return top !== null && (e.contains(top) || top.contains(e))
      })
    }
    const stands = (e: Element | null | undefined) => !!e && onScreen(box(e)) && uncovered(e)
    const how = document.querySelector('[aria-label="How to take it"]')
    const act = document.querySelector(
      '[aria-label="Enter what it shows"] button, [aria-label="Make safe"] button, [aria-label="The cause"] button',
    )
    const cause = document.querySelector('section[aria-label="The cause"]')
    const main = cause
      ? (cause.querySelector('[aria-label="Make safe"] button') ??
        [...cause.querySelectorAll('button')].find((b) => b.textContent?.includes('Go on: decide')))
      : act
    const parts = [...document.querySelectorAll<HTMLElement>('.picture > .pane .part, .strips .part')]
    const stateOf = (e: Element) => /: (.*?)(, the test.*)?$/.exec(e.getAttribute('aria-label') ?? '')?.[1] ?? ''
    const titleOf = (e: Element) => (e.getAttribute('aria-label') ?? '').replace(/: [^:]*$/, '')
    const suspected = [...document.querySelectorAll('section[aria-label="Suspects"] li.repair')].flatMap((li) =>
      (li.querySelector('.small')?.textContent ?? '')
        .split(' · ')
        .flatMap((c) => c.split(' and '))
        .map((c) => c.replace(/: .*$/, '')),
    )
    const contradictions = parts.flatMap((e) =>
      stateOf(e) === 'proven' && suspected.includes(titleOf(e)) ? [`${titleOf(e)} is proven and suspected`] : [],
    )
    const labels = parts.flatMap((e) => {
      const own = box(e)
      const cut = [...e.querySelectorAll('.name, .word')].some((t) => {
        const r = box(t)
        return r.top < own.top - 1 || r.bottom > own.bottom + 1 || r.left < own.left - 1 || r.right > own.right + 1
      })
      return cut ? [`${titleOf(e)} is cut`] : []
    })
    const drawn = parts.filter((e) => e.closest('.pane'))
    drawn.forEach((a, i) => {
      for (const b of drawn.slice(i + 1)) {
        const [p, q] = [box(a), box(b)]
        if (p.left < q.right - 1 && q.left < p.right - 1 && p.top < q.bottom - 1 && q.top < p.bottom - 1)
          labels.push(`${titleOf(a)} lies over ${titleOf(b)}`)
      }
    })
    let lines = 0
    const boxes = drawn.map((e) => ({ x: e.offsetLeft, y: e.offsetTop, w: e.offsetWidth, h: e.offsetHeight }))
    for (const path of document.querySelectorAll('.pane path.run')) {
      const points = [...(path.getAttribute('d') ?? '').matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(
        (m) => [Number(m[1]), Number(m[2])] as const,
      )
      const ends = [points[0]!, points.at(-1)!]
      for (const b of boxes) {
        const own = ends.some(([x, y]) => x >= b.x - 1 && x <= b.x + b.w + 1 && y >= b.y - 1 && y <= b.y + b.h + 1)
        const crosses = points.some(([x, y], k) => {
          const before = points[k - 1]
          return (
            before !== undefined &&
            Math.max(x, before[0]) > b.x + 1 &&
            Math.min(x, before[0]) < b.x + b.w - 1 &&
            Math.max(y, before[1]) > b.y + 1 &&
            Math.min(y, before[1]) < b.y + b.h - 1
          )
        })
        if (crosses && !own) lines++
      }
    }
    return {
      atHand: cause ? stands(main) : stands(how) && stands(act),
      shift: seen.shift,
      moved: seen.moved.sort().reverse().slice(0, 8),
      asked: seen.asked.length,
      contradictions,
      labels,
      lines,
    }
  })
  const { asked, moved, ...rest } = found
  return { ...rest, moved: rest.shift > MOST_SHIFT ? moved : [], exchanged: Math.max(0, asked - exchanges) }
}

/** Violations of WCAG 2.2 A and AA in the page as it stands. */
export async function axeViolations(page: Page): Promise<string[]> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'])
    .analyze()
  return violations.map((v) => `${v.id}: ${v.nodes[0]?.target.join(' ')}`)
}

/** Least contrast of a line of the picture against what it is drawn on. */
export const leastLineContrast = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const canvas = document.createElement('canvas').getContext('2d')!
    const luminance = (colour: string) => {
      canvas.clearRect(0, 0, 1, 1)
      canvas.fillStyle = colour
      canvas.fillRect(0, 0, 1, 1)
      const [r, g, b] = [...canvas.getImageData(0, 0, 1, 1).data].map((v) => {
        const s = v / 255
        return s <= 0.04045 ? s / 12.92 : ((s + 0.055) / 1.055) ** 2.4
      })
      return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!
    }
    const under = (e: Element | null): string => {
      for (let at = e; at; at = at.parentElement) {
        const colour = getComputedStyle(at).backgroundColor
        if (!/rgba\(.*, 0\)|transparent/.test(colour)) return colour
      }
      return 'white'
    }
    const pairs = [...document.querySelectorAll('.picture path.run, .picture .part')].map((e) => {
      const style = getComputedStyle(e)
      return e instanceof SVGElement ? [style.stroke, under(e)] : [style.borderTopColor, under(e.parentElement)]
    })
    return Math.min(
      21,
      ...pairs.map(([a, b]) => {
        const [p, q] = [luminance(a!), luminance(b!)]
        return (Math.max(p, q) + 0.05) / (Math.min(p, q) + 0.05)
      }),
    )
  })

/** How often Tab is pressed from the head of the page until the act has the focus; `most` + 1 where it does not come. */
export async function tabStops(page: Page, most = 12): Promise<number> {
  await page.evaluate(() => {
    ;(document.activeElement as HTMLElement | null)?.blur()
    window.getSelection()?.removeAllRanges()
    document.body.tabIndex = -1
    document.body.focus()
  })
  for (let n = 1; n <= most; n++) {
    await page.keyboard.press('Tab')
    const there = await page.evaluate(() => {
      const at = document.activeElement
      return !!at?.closest('[aria-label="Enter what it shows"], [aria-label="Make safe"], [aria-label="The cause"]')
    })
    if (there) return n - 1
  }
  return most + 1
}
