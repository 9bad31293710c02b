import { onScopeDispose } from 'vue'
import { beginsToSound } from './sounding'

/** One high tone: taken; two low ones: refused. A device without sound is silent. */
export function useBeeps() {
  let context: AudioContext | undefined
  function tone(hertz: number, after: number, seconds: number): void {
    try {
      context ??= new AudioContext()
      const [oscillator, gain] = [context.createOscillator(), context.createGain()]
      oscillator.frequency.value = hertz
      gain.gain.value = 0.2
      oscillator.connect(gain).connect(context.destination)
      oscillator.onended = beginsToSound()
      oscillator.start(context.currentTime + after)
      oscillator.stop(context.currentTime + after + seconds)
    } catch {
      context = undefined
    }
  }
  onScopeDispose(() => void context?.close().catch(() => undefined))
  return {
    accepted: () => tone(880, 0, 0.12),
    refused: () => {
      tone(220, 0, 0.15)
      tone(220, 0.25, 0.15)
    },
  }
}
