import { findTool, ROW_TOOLS } from '../../../core/measuring'
import { toolWords } from '../../../core/words'

const OWN: Readonly<Record<string, string>> = {
  convert: 'Units',
  timers: 'Clocks and counts',
  ear: 'Ear',
  meter: 'Linked meter',
  tables: 'Tables',
  trace: 'Trace of a logger',
}

/** Whether a tool reads a column of readings. */
export const readsRows = (id: string): boolean => ROW_TOOLS.some((t) => t.id === id)

/** What stands in the title of the page of a tool, whether there is one or not. */
export const titleOfTool = (id: string): string =>
  OWN[id] ?? (readsRows(id) || findTool(id) ? toolWords(id).title : 'Tools')
