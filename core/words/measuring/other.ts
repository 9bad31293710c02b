import type { ToolWords } from './contract'

export const count: ToolWords = {
  title: 'Float cycles',
  use: 'How often a switch may still miss, after so many times worked.',
  labels: { times: 'Times worked', misses: 'Misses', seen: 'Missed', bound: 'May miss up to (95 %)' },
  means: {
    misses: 'It misses: clean it, look at the leads, work it again from the start.',
    few: 'No miss, and few times: a float that fails now and then can hide in so few.',
    clean: 'No miss in so many: what is left of a miss is small.',
  },
}

export const trip: ToolWords = {
  title: 'Trip and return',
  use: 'Where a float or level switch trips and returns, and the difference between.',
  labels: {
    worked: 'It trips',
    tripped: 'Level at which it trips',
    returned: 'Level at which it returns',
    ratedTrip: 'Trips at, by sheet',
    ratedReturn: 'Returns at, by sheet',
    within: 'Within',
    difference: 'Difference',
    offTrip: 'Trip off its sheet',
    offReturn: 'Return off its sheet',
  },
  means: {
    'no-difference': 'It returns where it trips: it will chatter as the water moves.',
    'has-difference': 'Between the two it stays as it is: that is what keeps it from chattering.',
    'tripped-high': 'It trips too high: float heavy or scaled, its stop moved, or another float in its place.',
    'tripped-low': 'It trips too low: something holds it up, or another float stands in its place.',
    'returned-high': 'It returns too high: look for scale on the stem, and whether two floats have changed places.',
    'returned-low': 'It returns too low: it hangs. Clean it, then work it again.',
    'where-it-should': 'Both lie where its sheet has them.',
  },
}

export const thermostat: ToolWords = {
  title: 'Thermostat or cut-out',
  use: 'What a warming proves of it, and what it does not.',
  labels: {
    rated: 'Opens at, by its plate',
    within: 'Within',
    reached: 'Warmed as far as',
    opened: 'Opened at',
    closed: 'Closed again at',
    short: 'Past its rating',
    off: 'Off its rating',
    difference: 'Between opening and closing',
  },
  means: {
    'not-early': 'Only shown not to open early: it was not warmed as far as it opens.',
    'not-shown':
      'Not shown to open: it was warmed to its band and no further. Water ends at 100 °C; above it a dry block, never oil or flame.',
    'stays-closed': 'Warmed past its band and still closed: it does not protect any more.',
    'opens-right': 'Opens where it should.',
    'opens-early': 'Opens too early: it stops the heat of a sound machine.',
    'opens-late': 'Opens too late: what it guards gets hotter than it may.',
  },
}

export const thermistor: ToolWords = {
  title: 'Thermistor',
  use: 'Ohms that belong to a temperature, and the temperature by its ohms; bead and thermometer side by side.',
  labels: {
    ohms25: 'Ohms at 25 °C',
    beta: 'Beta',
    ohms: 'Ohms measured at the board’s plug',
    celsius: 'Thermometer beside the bead',
    lead: 'Ohms of the lead',
    expected: 'Ohms expected there',
    felt: 'Temperature by its ohms',
    apart: 'Apart',
  },
  means: {
    agrees: 'Bead and thermometer agree.',
    'look-at-clip': 'A little apart: look whether the bead sits home under its clip before it is blamed.',
    disagrees: 'They do not agree: clip loose, lead with a joint in it, or the bead has drifted.',
  },
}

export const beadCurve: ToolWords = {
  title: 'Thermistor by three points',
  use: 'Curve of a bead whose figures nobody has: ice, the room, hot water.',
  labels: {
    ohms1: 'First: ohms',
    celsius1: 'First: temperature',
    ohms2: 'Second: ohms',
    celsius2: 'Second: temperature',
    ohms3: 'Third: ohms',
    celsius3: 'Third: temperature',
    ohms25: 'Ohms at 25 °C',
    beta: 'Beta over this span',
    celsius: 'Temperature',
    ohms: 'Ohms',
  },
  means: { curve: 'Good between the points; beyond them by a few kelvin and no more.' },
}

export const bucket: ToolWords = {
  title: 'Bucket',
  use: 'What the supply gives, what is left at the pressure a machine needs, what the screen takes, how long a fill lasts.',
  labels: {
    litres: 'Volume in the bucket',
    seconds: 'Time',
    still: 'Pressure, nothing running',
    flowing: 'Pressure while it runs',
    needed: 'Pressure the machine needs',
    screenless: 'Time with the screen out',
    fill: 'Volume of a fill',
    flow: 'Flow',
    kv: 'Flow that costs 1 bar',
    left: 'Flow at the pressure needed',
    without: 'Flow without the screen',
    taken: 'The screen takes',
    fills: 'A fill lasts',
  },
  means: {
    'supply-holds': 'The supply holds its pressure while it runs.',
    'supply-starves': 'The pressure falls away as it runs: a stop half shut, a kink, a filter, or a weak supply.',
    screen: 'The screen takes it: clean it, a torn one is changed.',
    'not-the-screen': 'It is not the screen.',
  },
}

export const timedOutput: ToolWords = {
  title: 'Timed output',
  use: 'Seconds measured against seconds set, and the volume of each: timer, or valve and water.',
  labels: {
    set1: 'First: seconds set',
    on1: 'First: on, measured',
    out1: 'First: volume',
    set2: 'Second: seconds set',
    on2: 'Second: on, measured',
    out2: 'Second: volume',
    set3: 'Third: seconds set',
    on3: 'Third: on, measured',
    out3: 'Third: volume',
    wanted: 'Flow it should have',
    late: 'On-time off its setting',
    flow: 'Flow',
    dead: 'Time before water comes',
    short: 'Flow off what it should be',
    on: 'On-time',
    out: 'Volume',
  },
  means: {
    timer: 'The on-time is wrong: the timer.',
    'timer-right': 'The on-time is right.',
    'water-short': 'Less water in that time: valve, scale, tank level, vent, pressure, nozzle.',
    'water-much': 'More water in that time: pressure, or another nozzle.',
    'water-right': 'The flow is as it should be.',
  },
}

export const level: ToolWords = {
  title: 'Level sensor',
  use: 'What a raw figure means, from two known heights.',
  labels: {
    shows: 'It shows',
    low: 'Lower height of the water',
    lowShows: 'It shows there',
    high: 'Higher height of the water',
    highShows: 'It shows there',
    shown: 'It shows now',
    at: 'Height asked for',
    slope: 'Change for each mm',
    empty: 'It shows when empty',
    pressure: 'Pressure of the water at the higher one',
    means: 'The water stands at',
    expected: 'It should show',
    level: 'Height of the water',
    figure: 'Figure',
  },
  means: {
    rises: 'It rises with the water, as volts do.',
    falls: 'It falls as the water rises, as the frequency of an inductive sensor does.',
    frozen: 'It shows the same at both heights: a pinched tube, a dead sensor, or the wrong figure.',
  },
}

export const water: ToolWords = {
  title: 'Probe and water',
  use: 'What water conducts at 25 °C, and what a probe shows in other water.',
  labels: {
    measured: 'Conductivity measured',
    at: 'Temperature of the water',
    probe: 'Ohms of the probe in known water',
    known: 'Conductivity of that water',
    at25: 'At 25 °C',
    there: 'Ohms of the probe in this water',
  },
  means: {
    'too-pure': 'Too pure for usual probes: behind reverse osmosis, or rain water. They read dry in a full boiler.',
    conducts: 'It conducts enough for probes. Ohms by direct current drift in water and decide nothing.',
  },
}

export const descaling: ToolWords = {
  title: 'Lime and descaler',
  use: 'How much lime a machine collects, how often it is time, how a concentrate is mixed.',
  labels: {
    in: 'Hardness in',
    hardness: 'Hardness',
    daily: 'Water a day, heated or frozen',
    parts: 'Parts of water to one of concentrate',
    bath: 'Volume of the bath',
    lime: 'Lime in a month, g',
    days: 'Time to descale after, days',
    concentrate: 'Concentrate',
  },
  means: {
    soft: 'No lime to speak of.',
    often: 'Often: a softener is worth its price. An old, heavily scaled boiler only with consent in writing.',
    seldom: 'Seldom enough. Acid never with bleach or a chlorine sanitiser; rinse between.',
  },
}
