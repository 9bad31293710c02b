/** When this device itself speaks or beeps: an ear that listens leaves these stretches out. */
type Told = (sounds: boolean) => void
const listeners = new Set<Told>()
let sounding = 0

/** Something begins to sound here. @returns to be called once, when it has ended */
export function beginsToSound(): () => void {
  if (sounding++ === 0) for (const tell of listeners) tell(true)
  let ended = false
  return () => {
    if (ended) return
    ended = true
    if (--sounding === 0) for (const tell of listeners) tell(false)
  }
}

/** Tells whenever this device begins to sound and is silent again. @returns ends that */
export function onSounding(told: Told): () => void {
  listeners.add(told)
  return () => listeners.delete(told)
}
