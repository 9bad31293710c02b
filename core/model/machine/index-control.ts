import { atomsOf, mapCondition, type Condition, type HandSetting, type Sheet } from '../sheet'
import type { IndexedParts } from './index-parts'
import type { Machine, ModeSetting } from './types'

type Control = Pick<Machine, 'phases' | 'programs' | 'idlePhase' | 'powered' | 'alarms' | 'complaints' | 'commands'>

/** Place of an id in a list; -1 when it is not there. */
const indexById = (list: readonly { id: string }[]) => {
  const byId = new Map(list.map((x, i) => [x.id, i]))
  return (id: string | undefined): number => (id === undefined ? -1 : (byId.get(id) ?? -1))
}

/** What a hand holds, by its place in the flat arrays. */
export function settingOf(
  sheet: Sheet,
  { parts, partIndex }: Pick<IndexedParts, 'parts' | 'partIndex'>,
  { part, mode, value }: HandSetting,
): ModeSetting {
  const index = partIndex.get(part)!
  const spec = sheet.parts[index].kind.modes!.find((m) => m.name === mode)!
  return { mode: parts[index].mode[mode], value: spec.values.indexOf(value) }
}

/** The control of a machine, its alarms and complaints, with every name replaced by an index. */
export function indexControl(sheet: Sheet, { parts, partIndex }: IndexedParts): Control {
  const kinds = sheet.parts.map((p) => p.kind)
  const phaseOf = indexById(sheet.phases)
  const alarmOf = indexById(sheet.alarms.map(({ code }) => ({ id: code })))
  const names = { part: (id: string) => partIndex.get(id)!, phase: phaseOf, alarm: alarmOf }
  const condition = (c: Condition): Condition<number> => mapCondition(c, names)
  const optional = (c: Condition | undefined) => (c === undefined ? undefined : condition(c))
  const commandOf = (index: number) => parts[index].mode[kinds[index].command!]
  const held = (s: HandSetting) => settingOf(sheet, { parts, partIndex }, s)
  const programs = sheet.programs.map((p, index) => ({
    index,
    id: p.id,
    title: p.title,
    firstPhase: phaseOf(p.firstPhase),
    sets: p.sets.map(held),
    later: p.later.map(({ after, sets }) => ({ after, sets: sets.map(held) })),
    needs: optional(p.needs),
    resets: p.resets.map(alarmOf),
    duration: p.duration,
    moments: sheet.moments.flatMap(({ id, title, program, after }) => (program === p.id ? [{ id, title, after }] : [])),
    serviceMinutes: p.service?.minutes,
  }))
  return {
    phases: sheet.phases.map((p, index) => ({
      index,
      id: p.id,
      title: p.title,
      on: p.on.map((id) => commandOf(partIndex.get(id)!)),
      exits: p.exits.map((e) => ({
        when: condition(e.when),
        to: phaseOf(e.to),
        alarm: e.alarm === undefined ? undefined : alarmOf(e.alarm),
      })),
      final: p.final,
      timeLimits: [
        ...new Set(
          p.exits.flatMap((e) => [...atomsOf(e.when)].flatMap((a) => (a.type === 'after' ? [a.seconds] : []))),
        ),
      ].sort((a, b) => a - b),
    })),
    programs,
    idlePhase: programs.find((p) => p.id === sheet.control?.starts)?.firstPhase ?? -1,
    powered: optional(sheet.control?.powered),
    alarms: sheet.alarms.map(({ code, clears, retained }, index) => ({
      index,
      code,
      clears: optional(clears),
      retained,
    })),
    complaints: sheet.complaints.map(({ id, when }, index) => ({ index, id, when: condition(when) })),
    commands: parts.flatMap((p) => (kinds[p.index].command === undefined ? [] : [commandOf(p.index)])),
  }
}
