/**
 * Draws what stands for photos in the demo world, in Chromium: `npm run demo-photos`. They have no colours: those of the wires are the
 * sheet's.
 */
import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { chromium } from '@playwright/test'
import { cleanJpeg } from '../core/foundation/jpeg'
import config from '../playwright.config'

const SIZE = { width: 800, height: 600 }
const QUALITY = 62

const box = (x: number, y: number, w: number, h: number, fill: string, round = 8) =>
  `<rect x="${x}" y="${y}" width="${w}" height="${h}" rx="${round}" fill="${fill}" stroke="#111" stroke-opacity=".45" stroke-width="2"/>`
const wire = (path: string, width = 12, tone = '#5a5a5a') =>
  `<path d="${path}" fill="none" stroke="#222" stroke-width="${width + 4}"/><path d="${path}" fill="none" stroke="${tone}" stroke-width="${width}"/>`
const screw = (x: number, y: number, r = 11) =>
  `<circle cx="${x}" cy="${y}" r="${r}" fill="url(#metal)" stroke="#222"/><path d="M${x - r * 0.6} ${y - r * 0.6}L${x + r * 0.6} ${y + r * 0.6}" stroke="#222" stroke-width="3"/>`

/** A valve of three coils, each with two blades and a plug on them. */
const valve = [160, 400, 640]
  .map(
    (x) =>
      box(x - 70, 300, 140, 150, 'url(#dark)', 16) +
      box(x - 30, 440, 60, 120, 'url(#metal)') +
      box(x - 46, 270, 26, 50, 'url(#metal)', 3) +
      box(x + 20, 270, 26, 50, 'url(#metal)', 3) +
      wire(`M${x - 33} 250C${x - 50} 170 ${x - 20} 90 ${x - 60} -10`) +
      wire(`M${x + 33} 250C${x + 20} 170 ${x + 60} 90 ${x + 10} -10`, 12, '#a8a8a8') +
      box(x - 56, 210, 112, 72, 'url(#light)'),
  )
  .join('')

/** A basin with three floats on their stems, each lead with a plug of its own. */
const float = [
  box(60, 330, 680, 230, 'url(#water)', 20),
  ...[180, 400, 620].map(
    (x) =>
      box(x - 8, 230, 16, 260, 'url(#metal)', 4) +
      `<ellipse cx="${x}" cy="360" rx="62" ry="40" fill="url(#light)" stroke="#222" stroke-width="2"/>` +
      wire(`M${x} 230C${x} 160 ${x + 50} 150 ${x + 30} 90`, 10) +
      wire(`M${x + 14} 90C${x + 10} 40 ${x - 10} 30 ${x - 20} -10`, 10, '#8a8a8a') +
      box(x, 66, 60, 44, 'url(#dark)'),
  ),
].join('')

/** Hoses on their taps at a wall. */
const hose = [180, 400, 620]
  .map(
    (x) =>
      box(x - 28, -10, 56, 130, 'url(#metal)', 6) +
      box(x - 80, 84, 160, 34, 'url(#metal)', 16) +
      box(x - 44, 120, 88, 64, 'url(#dark)', 10) +
      wire(`M${x} 184C${x + 10} 340 ${x - 90} 420 ${x - 30} 640`, 52, '#777') +
      `<path d="M${x} 184C${x + 10} 340 ${x - 90} 420 ${x - 30} 640" fill="none" stroke="#999" stroke-width="52" stroke-dasharray="3 9"/>`,
  )
  .join('')

/** A row of screw terminals with a wire in each. */
const terminals = [
  box(60, 280, 680, 130, 'url(#light)', 10),
  ...[130, 238, 346, 454, 562, 670].map(
    (x, i) =>
      wire(`M${x} 290C${x - 20} 190 ${x + 30} 120 ${x - 10 + i * 6} -10`, 14, i % 2 ? '#9a9a9a' : '#4c4c4c') +
      wire(`M${x} 400C${x + 12} 480 ${x - 12} 540 ${x} 620`, 14, i % 2 ? '#4c4c4c' : '#9a9a9a') +
      box(x - 34, 296, 68, 98, 'url(#dark)', 6) +
      screw(x, 322) +
      screw(x, 370),
  ),
].join('')

/** The plug of a machine tied up, with its tag. */
const tag = [
  wire('M-10 80C200 60 260 260 400 250', 30, '#333'),
  box(380, 190, 150, 120, 'url(#dark)', 24),
  box(530, 214, 60, 14, 'url(#metal)', 3),
  box(530, 272, 60, 14, 'url(#metal)', 3),
  '<path d="M440 300C430 340 380 340 360 366" fill="none" stroke="#ddd" stroke-width="5"/>',
  '<g transform="rotate(-6 400 460)">',
  box(180, 360, 440, 200, '#f2f2f2', 18),
  '<circle cx="400" cy="384" r="11" fill="#777" stroke="#222"/>',
  '<text x="400" y="470" text-anchor="middle" font-family="sans-serif" font-weight="700" font-size="56" fill="#111">DO NOT USE</text>',
  '<text x="400" y="520" text-anchor="middle" font-family="sans-serif" font-size="28" fill="#333">switched off, water shut</text></g>',
].join('')

const gradient = (id: string, from: string, to: string) =>
  `<linearGradient id="${id}" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="${from}"/><stop offset="1" stop-color="${to}"/></linearGradient>`
const scene = (what: string) =>
  `<body style="margin:0"><svg xmlns="http://www.w3.org/2000/svg" width="${SIZE.width}" height="${SIZE.height}"><defs>${[
    gradient('wall', '#cfcfcf', '#8f8f8f'),
    gradient('dark', '#5c5c5c', '#262626'),
    gradient('light', '#f0f0f0', '#b8b8b8'),
    gradient('metal', '#ededed', '#7c7c7c'),
    gradient('water', '#b9b9b9', '#888'),
  ].join('')}</defs><rect width="100%" height="100%" fill="url(#wall)"/>${what}</svg>`

const folder = join(import.meta.dirname, '..', 'server', 'database', 'seeds', 'photos')
mkdirSync(folder, { recursive: true })
const browser = await chromium.launch(config.use!.launchOptions!)
const page = await browser.newPage({ viewport: SIZE })
for (const [name, what] of Object.entries({ valve, float, hose, terminals, tag })) {
  await page.setContent(scene(what))
  const photo = cleanJpeg(await page.screenshot({ type: 'jpeg', quality: QUALITY }))
  if (typeof photo === 'string') throw new Error(`${name}: ${photo}`)
  writeFileSync(join(folder, `${name}.jpg`), photo.bytes)
  process.stdout.write(`${name}: ${photo.bytes.length} bytes\n`)
}
await browser.close()
