import {
  linkState,
  meterReading,
  meterStreamPath,
  nonsense,
  type LinkState,
  type MeterReading,
} from '../../shared/contracts/meters'

/** A stream that the server refused is asked for again after this, ms. */
const AGAIN_AFTER = 3000
/** Longer than this the server is never silent, ms: then the line is dead, though nothing says so. */
const SILENT = 8000

export interface MeterHears {
  reading(reading: MeterReading): void
  state(state: LinkState): void
  nonsense(text: string): void
  /** The server itself does not answer; it is tried again. */
  away(): void
}

/** Looks at a meter through the server, with all that the server still has of its line. @returns how to look away */
export function watchMeter(meter: string, reads: string, range: number, hears: MeterHears): () => void {
  let source: EventSource | undefined
  /** When it is opened anew unless something is heard before. */
  let again: ReturnType<typeof setTimeout> | undefined
  const openAfter = (ms: number) => {
    clearTimeout(again)
    again = setTimeout(() => {
      hears.away()
      source?.close()
      open()
    }, ms)
  }
  const heard = () => openAfter(SILENT)
  const listen = <T>(
    name: string,
    schema: { safeParse(x: unknown): { success: boolean; data?: T } },
    take: (of: T) => void,
  ) =>
    source?.addEventListener(name, ({ data }: MessageEvent<string>) => {
      heard()
      const read = schema.safeParse(JSON.parse(data))
      if (read.success) take(read.data!)
    })
  const open = () => {
    source = new EventSource(meterStreamPath(meter, reads, range))
    listen('reading', meterReading, hears.reading)
    listen('state', linkState, hears.state)
    listen('nonsense', nonsense, ({ text }) => hears.nonsense(text))
    heard()
    source.addEventListener('alive', heard)
    source.addEventListener('error', () => {
      hears.away()
      // The browser tries again by itself unless it was refused.
      if (source?.readyState === EventSource.CLOSED) openAfter(AGAIN_AFTER)
    })
  }
  open()
  return () => {
    clearTimeout(again)
    source?.close()
  }
}
