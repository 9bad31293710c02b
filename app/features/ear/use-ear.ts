import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import {
  BeepCounter,
  FeatureReader,
  groupsOf,
  hearingOf,
  judge,
  LEAST_FRAMES,
  Listener,
  SoundClock,
  teach,
  type Heard,
  type Listening,
  type Muted,
  type SoundFrame,
  type Taught,
} from '../../../core/hearing'
import { onSounding } from '../../ui'
import { useMicrophone } from './use-microphone'

/** A sample for teaching takes so many looks: two seconds. */
const SAMPLE = 4 * LEAST_FRAMES
/** Sound of before this is of no use any more, s. */
const FORGETS = 10
/** Echo of what was said goes on for so long, s. */
const ECHO = 0.3

export type EarMode = Listening | 'beeps'
export type Lesson = 'quiet' | 'sound'

/** A stretch in which something was heard, s since the ear was opened; `to` is absent while it goes on. */
export interface HeardStretch {
  from: number
  to: number | undefined
}

/**
 * The ear of the device: taught by a sample without and one with a sound, then saying when that begins and ends.
 *
 * @param told what turned, and how long ago, s
 */
// eslint-disable-next-line max-lines-per-function -- a composable: one closure over what an ear hears
export function useEar(told: (turn: Heard['turn'], ago: number) => void) {
  const mode = ref<EarMode>('hum-50')
  const lesson = ref<Lesson>()
  const samples = shallowRef<Partial<Record<Lesson, SoundFrame[]>>>({})
  const taught = shallowRef<Taught>()
  const on = ref(false)
  const height = ref(0)
  const stretches = ref<HeardStretch[]>([])
  const groups = ref<number[]>([])
  /** Time spent on sound as a share of its length. */
  const load = ref(0)
  let reader: FeatureReader | undefined
  let listener: Listener | undefined
  let counter: BeepCounter | undefined
  let clock = new SoundClock()
  let heardSoFar = 0
  let spent = 0
  let muted: Muted[] = []

  function learn(frames: readonly SoundFrame[]): void {
    const which = lesson.value
    if (!which) return
    const sample = [...(samples.value[which] ?? []), ...frames]
    samples.value = { ...samples.value, [which]: sample }
    if (sample.length < SAMPLE) return
    lesson.value = undefined
    const { quiet, sound } = samples.value
    if (!quiet || !sound) return
    taught.value = teach(quiet, sound)
    // It was taught with the sound on last, or off: whichever sample came last.
    on.value = which === 'sound'
    listener = taught.value && hearing.value === 'well' ? new Listener(taught.value, on.value) : undefined
  }
  function take(heard: readonly Heard[]): void {
    for (const { turn, at } of heard) {
      on.value = turn === 'on'
      if (turn === 'on') stretches.value.push({ from: at, to: undefined })
      else {
        const open = stretches.value.findLast((s) => s.to === undefined)
        if (open) open.to = at
      }
      told(turn, Math.max(0, performance.now() / 1000 - clock.place({ turn, at })))
    }
  }
  const microphone = useMicrophone((piece, rate) => {
    const since = performance.now()
    heardSoFar += piece.length / rate
    clock.push(heardSoFar, since / 1000)
    if (mode.value === 'beeps') {
      counter ??= new BeepCounter(rate)
      const isMuted = muted.some((m) => m.to > heardSoFar - piece.length / rate)
      // What the device says itself is silence to it.
      counter.push(isMuted ? new Float32Array(piece.length) : piece)
      groups.value = groupsOf(counter.beeps)
    } else {
      reader ??= new FeatureReader(mode.value, rate)
      const frames = reader.push(piece)
      const last = frames.at(-1)
      if (last && taught.value) height.value = judge(taught.value, last)
      learn(frames)
      if (listener) take(listener.push(frames, muted))
    }
    muted = muted.filter((m) => m.to > heardSoFar - FORGETS)
    spent += performance.now() - since
    load.value = spent / 1000 / heardSoFar
  })
  onScopeDispose(
    onSounding((sounds) => {
      if (sounds) muted.push({ from: heardSoFar, to: Infinity })
      else for (const m of muted) if (m.to === Infinity) m.to = heardSoFar + ECHO
    }),
  )
  const hearing = computed(() => taught.value && hearingOf(taught.value))

  function forget(): void {
    samples.value = {}
    taught.value = undefined
    lesson.value = undefined
    reader = listener = counter = undefined
    clock = new SoundClock()
    on.value = false
    stretches.value = []
    groups.value = []
  }
  watch(mode, forget)
  /** Takes a sample anew. */
  function begin(which: Lesson): void {
    listener = undefined
    samples.value = { ...samples.value, [which]: undefined }
    lesson.value = which
  }
  return {
    ...microphone,
    mode,
    lesson,
    has: computed(() => ({ quiet: !!samples.value.quiet, sound: !!samples.value.sound })),
    taught,
    hearing,
    on,
    height,
    stretches,
    groups,
    load,
    begin,
    forget,
  }
}
