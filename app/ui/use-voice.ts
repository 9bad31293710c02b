import { onScopeDispose, ref } from 'vue'
import { beginsToSound } from './sounding'

/** As much of a browser's recognition of speech as is used here. */
interface Recognition extends EventTarget {
  lang: string
  continuous: boolean
  /** On the device itself: nothing that is said leaves it. */
  processLocally: boolean
  start(): void
  abort(): void
  onresult:
    | ((event: {
        results: ArrayLike<ArrayLike<{ transcript: string }> & { isFinal: boolean }>
        resultIndex: number
      }) => void)
    | null
  onend: (() => void) | null
}
type RecognitionClass = (new () => Recognition) & {
  available?: (options: { langs: string[]; processLocally: boolean }) => Promise<string>
}
const LANGUAGE = 'en-US'

/** Says something once, where the device has a voice; what was being said before is broken off. */
export function speakOnce(text: string, ended: () => void = () => undefined): void {
  if (!('speechSynthesis' in window) || !text) return ended()
  window.speechSynthesis.cancel()
  const said = new SpeechSynthesisUtterance(text)
  said.lang = LANGUAGE
  const silent = beginsToSound()
  said.onend = said.onerror = () => {
    silent()
    ended()
  }
  window.speechSynthesis.speak(said)
}

/** Speaks, and listens only where the device itself is confirmed to understand. */
export function useVoice(heard: (said: string) => void) {
  const speaking = ref(false)
  /** Whether what is said is understood on the device itself. */
  const mayListen = ref(false)
  const listening = ref(false)
  const own = window as unknown as { SpeechRecognition?: RecognitionClass }
  let recognition: Recognition | undefined
  let over = false

  void own.SpeechRecognition?.available?.({ langs: [LANGUAGE], processLocally: true })
    .then((answer) => (mayListen.value = answer === 'available' && !over))
    .catch(() => undefined)

  function speak(text: string): void {
    speaking.value = true
    speakOnce(text, () => (speaking.value = false))
  }
  function listen(): void {
    if (!mayListen.value || listening.value) return
    recognition = new own.SpeechRecognition!()
    Object.assign(recognition, { lang: LANGUAGE, continuous: true, processLocally: true })
    recognition.onresult = ({ results, resultIndex }) => {
      for (let i = resultIndex; i < results.length; i++) {
        const result = results[i]!
        // What the device itself says is no answer.
        if (result.isFinal && !speaking.value) heard(result[0]!.transcript)
      }
    }
    recognition.onend = () => {
      if (listening.value && !over) recognition?.start()
    }
    recognition.start()
    listening.value = true
  }
  function hush(): void {
    listening.value = false
    recognition?.abort()
  }
  onScopeDispose(() => {
    over = true
    hush()
    if ('speechSynthesis' in window) window.speechSynthesis.cancel()
  })
  return { speak, mayListen, listening, listen, hush }
}
