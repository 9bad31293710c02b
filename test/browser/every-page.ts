import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import type { Place } from './place'

/** Pages one after another: each has a heading, does not scroll sideways and passes the accessibility check. @returns the title of each */
export async function everyPage(page: Page, place: Place, paths: readonly string[]): Promise<string[]> {
  const titles: string[] = []
  for (const path of paths) {
    await page.goto(`${place.url}/${path}`)
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    // What is fetched after it stands there as well.
    await page.waitForTimeout(900)
    titles.push(await page.title())
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
    expect(wide, path).toBeLessThanOrEqual(0)
    const { violations } = await new AxeBuilder({ page }).analyze()
    expect(violations.map((v) => `${path}: ${v.id}: ${v.nodes.map((n) => n.html).join(' ')}`)).toEqual([])
  }
  return titles
}
