import { onScopeDispose, ref } from 'vue'
import workletUrl from './samples.worklet.ts?worker&url'

export type MicrophoneState = 'closed' | 'asking' | 'open' | 'denied' | 'none'

/** What a device does to sound before anybody hears it, as it says itself; `undefined`: it does not say. */
export interface Treatment {
  echoCancellation: boolean | undefined
  noiseSuppression: boolean | undefined
  autoGainControl: boolean | undefined
}

/** The microphone, asked to leave sound as it is, piece by piece. Nothing of it is kept, and nothing leaves the device. */
export function useMicrophone(hear: (samples: Float32Array, rate: number) => void) {
  const state = ref<MicrophoneState>('closed')
  const treatment = ref<Treatment>()
  let context: AudioContext | undefined
  let stream: MediaStream | undefined
  let over = false

  async function open(): Promise<void> {
    if (state.value === 'open' || state.value === 'asking') return
    if (!('mediaDevices' in navigator)) {
      state.value = 'none'
      return
    }
    state.value = 'asking'
    try {
      const wanted = { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 }
      stream = await navigator.mediaDevices.getUserMedia({ audio: wanted })
      const { echoCancellation, noiseSuppression, autoGainControl } = stream.getAudioTracks()[0]!.getSettings()
      treatment.value = { echoCancellation: echoCancellation as boolean | undefined, noiseSuppression, autoGainControl }
      context = new AudioContext()
      await context.audioWorklet.addModule(workletUrl)
      const node = new AudioWorkletNode(context, 'samples', { numberOfOutputs: 0 })
      const { sampleRate } = context
      node.port.onmessage = ({ data }: MessageEvent<Float32Array>) => hear(data, sampleRate)
      context.createMediaStreamSource(stream).connect(node)
      await context.resume()
      stream.getAudioTracks()[0]!.addEventListener('ended', close)
      state.value = 'open'
      if (over) close()
    } catch (error) {
      const { name } = error as DOMException
      close()
      state.value = name === 'NotAllowedError' || name === 'SecurityError' ? 'denied' : 'none'
    }
  }
  function close(): void {
    for (const track of stream?.getTracks() ?? []) track.stop()
    stream = undefined
    void context?.close().catch(() => undefined)
    context = undefined
    state.value = 'closed'
  }
  onScopeDispose(() => {
    over = true
    close()
  })
  return { state, treatment, open, close }
}
