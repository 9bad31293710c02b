import { capital } from './capital'
import type { SheetPanel } from '../model/sheet'

/** How something is opened: "cross-head screwdriver; 4 screws along the back edge; the front edge lifts first". Empty where nothing is said. */
export const describeOpening = ({ tools, fasteners, opens, hangs }: SheetPanel): string =>
  [tools.join(', '), fasteners, opens, hangs && `mind ${hangs}`].filter(Boolean).join('; ')

/** A panel with how it is opened, as a line of its own. */
export function describePanel(panel: SheetPanel): string {
  const how = describeOpening(panel)
  return capital(how ? `${panel.title}: ${how}.` : `${panel.title}.`)
}

/** Where a part is found, as a line of its own; empty where the sheet does not say. */
export const describeSeat = ({ title, sits }: { title: string; sits: string | undefined }): string =>
  sits === undefined ? '' : `${capital(title)}: it sits ${sits}.`

/** Where a part is found, and where the tips go while it runs; empty where the sheet does not say. */
export const describePlace = ({ sits, tips }: { sits: string | undefined; tips: string | undefined }): string =>
  [sits && `It sits ${sits}.`, tips && `Tips: ${tips}.`].filter(Boolean).join(' ')
