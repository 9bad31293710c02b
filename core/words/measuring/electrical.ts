import type { ToolWords } from './contract'

export const coil: ToolWords = {
  title: 'Coil',
  use: 'Ohms brought to 20 °C, against plate and sibling; how hot it is; what it draws held.',
  labels: {
    ohms: 'Ohms measured, leads off',
    at: 'Temperature of the coil then',
    plate: 'Ohms by plate or sheet',
    sibling: 'Ohms of its sibling, same moment',
    hot: 'Ohms once it is hot',
    volts: 'Volts of its plate',
    va: 'Apparent power held, VA or W of its plate',
    cold: 'Ohms at 20 °C',
    off: 'Off its plate',
    beside: 'Off its sibling',
    celsius: 'How hot it is by its copper',
    held: 'Current held',
    impedance: 'Impedance',
  },
  means: {
    shorted: 'Far below its plate: turns are shorted. Look what it did to the output that feeds it.',
    low: 'Below its plate: a few shorted turns, or another coil than the plate says. Heat, hum and a weak pull tell.',
    high: 'Above its plate: a joint in the way, a hot coil, or another coil than the plate says. Measure at the bare terminals.',
    'in-band': 'Within what its plate allows. That clears the winding, not plunger and diaphragm.',
    'like-sibling': 'Like its sibling: good beside it, whatever a printed band says.',
    'unlike-sibling': 'Not like its sibling: one of the two is not as it was wound.',
    'too-hot': 'Hotter than its insulation bears for long: a plunger that does not pull in, or too many volts.',
    warm: 'Warm, as a coil is that is held.',
    'not-all-copper': 'Most of what holds the current back is not copper: ohms tell little of what it draws.',
    'direct-current':
      'Its copper alone holds back as much as the plate says: fed by direct current, rectified, or figures of two coils.',
  },
}

export const joint: ToolWords = {
  title: 'Volts without and with load',
  use: 'What stands in the way of a current, and whether volts that stand there are real.',
  labels: {
    unloaded: 'Volts without the load',
    loaded: 'Volts with the load on',
    amps: 'Current of the load',
    low: 'The same volts at low impedance (3 kΩ)',
    lost: 'Lost on the way',
    share: 'Share that is lost',
    ohms: 'Ohms in the way',
    heat: 'Heat at the joint',
    behind: 'They come through',
  },
  means: {
    sound: 'Next to nothing is lost: joints and supply hold.',
    weak: 'More is lost than a good joint takes. Measure closer to the load and closer to the supply to find where.',
    'bad-joint': 'A joint, a splice or the supply gives way under load. Walk along until the volts stay.',
    ghost: 'They fall away: a ghost by the capacitance of a cable or a snubber. Nothing could run from it.',
    real: 'They stay: a real supply stands behind them.',
  },
}

export const heater: ToolWords = {
  title: 'Heater',
  use: 'Ohms and current that a heater should have, at the volts that are there.',
  labels: {
    rated: 'Volts of its plate',
    watts: 'Watts of its plate',
    volts: 'Volts at the element, loaded',
    amps: 'Current measured',
    ohms: 'Ohms measured, leads off',
    nominal: 'Ohms by its plate',
    current: 'Current expected',
    power: 'Power at these volts',
    share: 'Current of what is expected',
    apart: 'Ohms off its plate',
  },
  means: {
    'as-it-should': 'As it should, within element and meter.',
    open: 'No current: open, or not fed. Volts at the element tell which.',
    'volts-first': 'Measure the volts at the loaded element first: a supply 7 % low alone takes 7 % of the current.',
    'draws-little': 'Less than these volts should drive: one of several elements open, or a joint in the way.',
    'draws-much': 'More than these volts should drive: another element than the plate says, or a path beside it.',
    'ohms-low': 'Below its plate: another element, or a path beside it. Measure with the leads off.',
    'ohms-high': 'Above its plate: a joint in the way, or one of several elements open.',
  },
}

export const transformer: ToolWords = {
  title: 'Transformer',
  use: 'What it falls by under load, and what it carries of its plate.',
  labels: {
    unloaded: 'Volts without load',
    loaded: 'Volts with everything on',
    amps: 'Current then',
    plate: 'VA of its plate',
    falls: 'Falls by',
    inside: 'Ohms inside it',
    load: 'Load',
    used: 'Of its plate',
  },
  means: {
    overloaded: 'It carries more than its plate: take loads off one by one, a shorted coil is among them.',
    weak: 'Within its plate and it falls too far: the transformer is weak, or its primary has too few volts.',
    'weak-or-overloaded': 'It falls too far: its plate tells whether it is weak or carries too much.',
    carries: 'It carries what it should. Without load it reads above its label.',
  },
}

export const wire: ToolWords = {
  title: 'Wire run',
  use: 'Ohms of a run there and back, volts left at its end, the longest run, the distance to a dead short.',
  labels: {
    gauge: 'Size in',
    size: 'Size of the wire',
    length: 'Length one way',
    splices: 'Splices in the loop',
    volts: 'Volts at its beginning',
    amps: 'Current',
    least: 'Least volts that the load needs',
    short: 'Ohms into the run, its end off',
    area: 'Copper',
    loop: 'Ohms of the loop',
    left: 'Volts left at the load',
    longest: 'Longest run for these volts',
    far: 'A dead short is at',
  },
  means: {
    'long-enough': 'Enough is left for the load.',
    'too-long': 'Too little is left: thicker wire, fewer splices, or less on the run.',
    'short-there': 'A dead short would lie there. A wet or partial one reads farther than it is.',
    'no-short': 'More ohms than the whole run: no dead short on it.',
  },
}

export const seriesWalk: ToolWords = {
  title: 'Switches in a row, live',
  use: 'Volts to a proven return, point after point: which link is open, and what no volts across a switch mean.',
  labels: { supply: 'Volts of the supply, to the same return', row: 'Volts there' },
  means: {
    'no-feed':
      'Nothing stands at the first point: the feed before it is missing, or the return is none. Prove the return first.',
    'weak-feed': 'Too little stands at the first point: the feed gives way under load.',
    'open-link': 'Open between these two: the first point without volts follows the open link.',
    joint: 'Volts are lost between these two: a joint or a contact with ohms of its own.',
    closed: 'All closed up to there: what is left is the load and its return.',
    contradicts:
      'Volts again behind a point without any: another feed, or a tip that did not touch. Read both once more.',
  },
}

export const zoneSurvey: ToolWords = {
  title: 'Zone survey',
  use: 'All zones at the controller, wires lifted, each to the common: their pattern read together.',
  labels: { row: 'Ohms to the common' },
  means: {
    common: 'All open: the common is broken before the first valve.',
    'run-open': 'One open: that run, its splice or its coil.',
    'several-open': 'Several open: the common beyond a box where they part, or a cable that holds them all.',
    shorted: 'Near nothing: a shorted coil or a wire with bare copper at it. It takes the fuse with it.',
    doubled: 'Half of the others: two valves on it.',
    touching: 'Two alike and half of the others: their wires touch.',
    joint: 'More than the others: a joint with ohms of its own.',
    'all-raised': 'All more than such valves have: a joint in the common.',
    alike: 'All alike: wires and coils are whole. Swapped wires read as they should: run each zone and look.',
  },
}
