import type { WorkStep, WorkTemplate } from './contract'

/** Steps that the trade takes with a part of some kind, where a sheet says nothing of its own. `<it>` stands for the part. */

export const DEAD: WorkStep = 'Isolate every supply, keep it locked or the fuse with you, and prove it dead'
export const RUN: WorkStep = 'Covers on, power back, and its turn in a whole run watched'
export const WATER_OFF: WorkStep = {
  do: 'Shut the tap, power off, and let the pressure into a bucket',
  caution: 'What stands in the line runs out, hot where the line is hot',
}
export const NO_DROP: WorkStep = 'Tap open, every joint that was undone dry under pressure, then power'
/** Dry, cold and empty before anybody reaches in. */
export const COOL: WorkStep = {
  do: 'Switch off, drain and let it cool, then isolate and prove it dead',
  caution: 'Boiling water and steam stay behind covers and probes',
}
export const DESCALER: WorkStep = {
  do: 'Soak it in descaler until nothing bubbles, then rinse it well',
  caution: 'Acid never with bleach or a chlorine sanitiser. Gloves, goggles, air',
}

/** A part with leads is changed for a new one. @param proved what is measured of the new one before it goes in */
export const changed = (proved: string, ...more: WorkStep[]): WorkTemplate => ({
  steps: [
    DEAD,
    'Photograph the leads of <it> and mark each one, then draw them off by their tabs',
    ...more,
    `Measure the new one before it goes in: ${proved}`,
    'Set it the same way round, push the leads on by their marks until they click',
    RUN,
  ],
  lookAt: ['leads and tabs: brown, loose or green ones are remade'],
  proved,
})

/** A control is changed, last of all that could be at fault. */
export const controlChanged: WorkTemplate = {
  steps: [
    'Look once more whether all that it works and hears is proved: a control is changed last',
    DEAD,
    'Photograph it, mark every plug and draw them off by their latches',
    'Pry its cover at the latches, no bending; take the board by its edges',
    'Set jumpers, jumper codes or options on the new one as they stand on the old one',
    'Plugs home until they click, cover on',
    'Run a whole program to its end: that alone proves a control',
  ],
  lookAt: ['what killed it: a coil or motor that is shorted kills the next output too', 'water tracks from above'],
}

/** What a signal of the water works is changed, behind a shut tap. */
export const wetSwitchChanged = (proved: string): WorkTemplate => ({
  steps: [
    WATER_OFF,
    DEAD,
    'Mark the leads of <it> and draw them off',
    'Undo <it>, note its arrow and the order of its seals',
    `Measure the new one before it goes in: ${proved}`,
    'New seals, the arrow with the water, leads on by their marks',
    NO_DROP,
  ],
  proved,
})

/** A water valve with its coil is changed. @param proved how the new one is proved before it goes in */
export const valveChanged = (proved: string): WorkTemplate => ({
  steps: [
    WATER_OFF,
    DEAD,
    'Mark each plug of <it>: one like it may stand beside it; then draw them off by the body',
    'Undo hoses and screws, note which way the arrow points',
    'Measure every coil of the new one, and turn it over: same volts, same fittings, same rest position',
    'In the same way round, hoses and plugs by their marks',
    NO_DROP,
    'Call it once from the program: runs when called, dry when not',
  ],
  lookAt: ['the screen at its inlet', 'what burnt a coil: a plunger that jams burns the next one'],
  proved,
})

/** A water valve is taken apart and cleaned. */
export const valveCleaned: WorkTemplate = {
  steps: [
    WATER_OFF,
    DEAD,
    'Coil eased off its post with a flat blade under the free side',
    'Cap off: diaphragm, plunger and spring laid out in their order',
    DESCALER,
    'Together in the same order, the hole of the diaphragm clear',
    'Plunger drops freely when it is tipped; then the coil, turned to its notch',
    NO_DROP,
  ],
  lookAt: ['cracks in the diaphragm and in the cap: then the whole valve'],
}

/** A heating element is changed, with its seal. */
export const elementChanged: WorkTemplate = {
  steps: [
    COOL,
    'Mark the leads of <it>; nut slackened, pressed in to free its seal, drawn out straight',
    'Scrape the seat of the seal clean, scale out of the bottom',
    'Measure the new one: its ohms, and its insulation to the sheath',
    'Seal wetted, element under its clip inside, nut firm, leads crimped or screwed tight',
    { do: 'Fill first, then heat once under watch', caution: 'A dry element burns out at once' },
    'Current at the element against volts over ohms; no drop at the seal',
  ],
  lookAt: ['leads and tabs at the element: brown ones are cut back'],
  proved: 'ohms, and insulation to its sheath',
}
