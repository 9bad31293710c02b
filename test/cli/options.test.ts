import { afterEach, beforeEach, describe, expect, it, vi, type MockInstance } from 'vitest'
import { COMMANDS, runCommand } from '../../cli/run-command'

let said: string[]
let spies: MockInstance[]
beforeEach(() => {
  said = []
  spies = (['log', 'error'] as const).map((name) =>
    vi.spyOn(console, name).mockImplementation((text: unknown) => void said.push(String(text))),
  )
})
afterEach(() => {
  for (const spy of spies) spy.mockRestore()
})

const all = [...new Set(COMMANDS.flatMap((c) => Object.keys(c.options)))]
/** An option as it is written, with a value where it wants one. */
const written = (option: string): string[] => {
  const { type } = COMMANDS.flatMap((c) => (c.options[option] ? [c.options[option]] : []))[0]!
  return type === 'string' ? [`--${option}`, 'x'] : [`--${option}`]
}

describe('options of a command', () => {
  it('are enough to tell: each is somebody’s own', () => {
    expect(all.length).toBeGreaterThan(10)
    for (const c of COMMANDS) expect(all.length, c.name).toBeGreaterThan(Object.keys(c.options).length)
  })
  it.each(COMMANDS.map((c) => [c.name, c] as const))('%s refuses those of others, and says its own use', (name, c) => {
    const others = all.filter((option) => !(option in c.options))
    for (const option of [...others, 'nonsense']) {
      said = []
      const args = option === 'nonsense' ? ['--nonsense'] : written(option)
      expect(runCommand([name, 'orrisk-tl40', ...args]), `${name} --${option}`).toBe(1)
      expect(said.join('\n')).toContain(`--${option}`)
      expect(said.join('\n')).toContain(`duckweed ${name} ${c.usage}`)
    }
  })
  it.each(COMMANDS.map((c) => [c.name, c] as const))('%s names every option of its own in its use', (_, c) => {
    for (const option of Object.keys(c.options)) expect(c.usage).toContain(`--${option}`)
  })
  it('a command that is not there: all of them are said', () => {
    expect(runCommand(['diagnoze'])).toBe(1)
    for (const c of COMMANDS) expect(said.join('\n')).toContain(`duckweed ${c.name}`)
  })
})
