import { describe, expect, it } from 'vitest'
import { readAnswer, readError } from '../../core/metering'
import { random } from '../../core/truth'
import { patternOf, unitsOf } from '../../stand-ins/meter/headers'
import { Instrument } from '../../stand-ins/meter/instrument'
import { Session, writeNumber } from '../../stand-ins/meter/session'

/** A meter with something between its tips that a test can change, and the time that it spent. */
function bench() {
  const world = { si: 0, waited: 0 }
  const meter = new Instrument(random(5), () => world.si)
  const session = new Session(meter, 'M1', (s) => ((world.waited += s), Promise.resolve()))
  return { world, ask: (line: string) => session.hear(line) }
}

describe('headers as SCPI writes them', () => {
  it.each([
    [
      'MEASure:VOLTage[:DC]?',
      ['MEAS:VOLT?', 'measure:voltage:dc?', 'Meas:Voltage?'],
      ['MEASU:VOLT?', 'MEAS:VOLT', 'MEAS:VOLT:AC?'],
    ],
    ['[SENSe:]FUNCtion', ['FUNC', 'sens:func', 'SENSE:FUNCTION'], ['FUNC?', 'SEN:FUNC']],
    ['SYSTem:ERRor[:NEXT]?', ['SYST:ERR?', 'SYSTEM:ERROR:NEXT?'], ['SYST?', 'SYST:ERR']],
    ['*IDN?', ['*idn?', '*IDN?'], ['IDN?', '*IDN']],
  ])('%s', (header, good, bad) => {
    const pattern = patternOf(header)
    for (const text of good) expect(pattern.test(text), text).toBe(true)
    for (const text of bad) expect(pattern.test(text), text).toBe(false)
  })
  it('what follows a semicolon stands below the words before it', () => {
    const known = (h: string) => patternOf('VOLTage:AC:RANGe:AUTO?').test(h) || patternOf('VOLTage:AC:RANGe').test(h)
    expect(unitsOf('volt:ac:rang 10;range:auto?;*OPC?', known)).toEqual([
      { header: 'volt:ac:rang', args: ['10'] },
      { header: 'volt:ac:range:auto?', args: [] },
      { header: '*OPC?', args: [] },
    ])
  })
})

describe('the simulated meter', () => {
  it('numbers are written so that whoever reads them has them again', () => {
    for (const x of [0, 1, -118.62, 2.7e3, 4.4e-6, 9.9e37]) {
      const read = readAnswer(writeNumber(x))
      expect(read).toEqual({ type: 'value', si: x === 9.9e37 ? Infinity : x })
    }
  })
  it('errors queue up in order, are numbered as the standard has them, and overflow', async () => {
    const { ask } = bench()
    expect(await ask('VOLTS?')).toBeUndefined()
    await ask('CONF:RES 1e12')
    await ask('FUNC "LENGTH"')
    await ask('FETC?')
    await ask('*ESE')
    const said: string[] = []
    for (let text = await ask('SYST:ERR?'); readError(text!) !== undefined; text = await ask('SYST:ERR?'))
      said.push(text!.split(',')[0]!)
    expect(said).toEqual(['-113', '-222', '-224', '-230', '-109'])
    // Power on, a command error and an execution error stand in the register, and reading it clears it.
    expect(await ask('*ESR?')).toBe(String(128 + 32 + 16))
    expect(await ask('*ESR?')).toBe('0')
    for (let i = 0; i < 30; i++) await ask('NO:SUCH')
    const all: string[] = []
    for (let text = await ask('SYST:ERR?'); readError(text!) !== undefined; text = await ask('SYST:ERR?'))
      all.push(text!.split(',')[0]!)
    expect(all.at(-1)).toBe('-350')
    expect(all).toHaveLength(20)
  })
  it('reads with noise inside its accuracy; a fixed range overloads, its own choice takes time', async () => {
    const { ask, world } = bench()
    world.si = 118.6
    await ask('CONF:VOLT:AC')
    const read = async () => {
      const answer = readAnswer((await ask('READ?'))!)
      return answer.type === 'value' ? answer.si : NaN
    }
    const many = await Promise.all(Array.from({ length: 50 }, read))
    for (const x of many) expect(Math.abs(x - 118.6)).toBeLessThan(0.5)
    expect(new Set(many).size).toBeGreaterThan(10)
    // From the highest range down: each change costs time.
    world.si = 0.02
    world.waited = 0
    await read()
    expect(world.waited).toBeGreaterThan(0.7)
    world.waited = 0
    await read()
    expect(world.waited).toBeLessThan(0.2)
    await ask('VOLT:AC:RANG 10')
    world.si = 118.6
    world.waited = 0
    expect(await read()).toBe(Infinity)
    expect(world.waited).toBeLessThan(0.2)
    expect(await ask('VOLT:AC:RANG:AUTO?;:CONF?')).toBe('0;"VOLT:AC +1.00000000E+01"')
    world.si = Infinity
    expect(readAnswer((await ask('MEAS:RES?'))!)).toEqual({ type: 'value', si: Infinity })
  })
})
