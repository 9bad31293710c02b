import type { Constant } from './constant'

/** Chosen by judgement; what another value does is shown by the benchmark. */
const JUDGED = 'judgement; its effect: npm run bench'
/** Cost and exactness of the computation, chosen by the benchmark's speed and optimum tables. */
const TUNED = 'npm run bench'

const of = <T>(value: T, unit: string, meaning: string, source = JUDGED): Constant<T> => ({
  value,
  unit,
  meaning,
  source,
})
const share = (value: number, meaning: string, source = JUDGED) => of(value, '1', meaning, source)
const count = (value: number, meaning: string, source = TUNED) => of(value, 'count', meaning, source)

/**
 * Every constant of hypotheses, predictions, belief and plan. Handed in where an engine is made, so that a benchmark or a
 * shop can vary them.
 */
export const CALIBRATION = {
  hypotheses: {
    severityNodes: count(3, 'nodes of a severity range before any are put between'),
    halvings: count(2, 'times that the gap between two nodes is halved where the machine takes another course'),
    negligibleBranch: share(
      0.01,
      'share of a hypothesis below which a threshold branch is not worth a run of its own',
      TUNED,
    ),
    missProbabilities: of(
      [0.05, 0.2, 0.5] as readonly number[],
      '1',
      'misses of an intermittent fault that rests, as nodes',
    ),
    restingShare: share(0.35, 'of the visits to an intermittent fault, those at which it does not act'),
    pairsKept: count(600, 'pairs whose runs are kept at once'),
    healthyShare: share(0.03, 'calls where nothing turns out to be wrong, against all fault rates together'),
    branchSteps: of(
      [
        { distance: 0.25, probability: 0.45 },
        { distance: 0.6, probability: 0.34 },
        { distance: 1, probability: 0.21 },
        { distance: 1.4, probability: 0.12 },
        { distance: 2, probability: 0.05 },
      ] as readonly { distance: number; probability: number }[],
      'standard deviations; 1',
      'how far thresholds are moved, and the chance that a part turns round there and not before',
      'tail of a Gaussian',
    ),
    branchSpread: of(
      Math.SQRT2,
      '1',
      'spread of a threshold with what it stands against, over its own',
      'two equal variances',
    ),
    branchMargin: of(1.2, '1', 'a threshold is moved this much further than where the part turned round', TUNED),
    maxBranches: count(5, 'thresholds that one hypothesis may have in doubt'),
  },
  predict: {
    modelSpread: share(0.008, 'independent modelling error, one standard deviation of the reading'),
    repeatability: share(
      Math.SQRT1_2,
      "part of a meter's resolution that is new at each reading: half of its variance",
    ),
    drift: share(
      0.002,
      'drift of the machine from one reading of a thing to the next, one standard deviation of the value',
    ),
    coarseSpread: share(0.06, 'spread of phase lengths and of what follows the states where tests are compared', TUNED),
    instant: of(2, 's', 'a phase shorter than this is over in an instant'),
    drawnOut: of(1.1, '1', 'a phase is drawn out when it takes this many times as long as on the healthy machine'),
    sameEnd: share(0.2, 'a time within this of the healthy one is ended by the same thing'),
    otherEnd: share(0.2, 'spread of a time that is ended by something else than on the healthy machine'),
    timeLimitSlack: of(1e-3, 's', 'a phase that lasts within this of a limit was ended by it', 'event search, 10 µs'),
    nodeSpread: of(0.6, '1', 'half width of a severity node in standard deviations of a shared parameter'),
    unfelt: of(
      1e-13,
      '1',
      "what a parameter does to a reading, against the reading's own error: below this it is rounding",
    ),
    misjudged: share(0.004, 'times that a good contact is misjudged when it is worked'),
    testerWrong: share(0.03, 'how often a tester is misread, either way'),
  },
  belief: {
    unknownFault: share(0.05, 'calls whose cause no sheet lists'),
    saidAlike: share(0.85, 'how often what is not listed is complained of in the words of what is'),
    staysStopped: share(
      0.9,
      'a test of a program found stopped does not come to its moment either, whatever the cause',
    ),
    complaintHeard: share(0.9, 'a complaint is made where the machine shows it'),
    complaintMisheard: share(0.006, 'a complaint is made where the machine does not show it'),
    grossError: share(0.02, 'a reading says nothing about the machine: slipped probe, misread scale, wrong range'),
    scaleSlip: share(0.004, 'a value is written a thousand times too great or too small, each way'),
    fahrenheitSlip: share(0.01, 'a temperature is read in °F and written as °C'),
    grossErrorAgain: share(0.2, 'a gross error is made in the same way again when a reading is repeated'),
    mistakeAgain: share(0.5, 'a sense that was mistaken is mistaken again'),
    dullShare: share(0.2, 'senses that are dull in a visit'),
    dullErrors: of(2.6, '1', 'errors of a dull sense, over its usual rate'),
    dampOpen: share(0.05, 'an open line shows megohms instead of OL: a hand on the probes, a damp terminal'),
    repairHeldAnyway: share(1e-9, 'a repaired machine still fails though its repair always holds'),
    broad: of(
      { value: 0.75, open: 0.1, never: 0.15, yesNo: 0.5, word: 0.2 },
      '1',
      'what an unknown fault shows where nothing is known of it: a value, an open line, nothing at all; a yes; one code',
    ),
    readAllTheSame: share(0.3, 'readings taken though the moment waited for never comes, of what shows then'),
    broadCeiling: of(
      { voltage: 300, current: 20, pressure: 10e5, flow: 1e-3, length: 0.6, temperature: 120 } as Readonly<
        Partial<Record<string, number>>
      >,
      'SI',
      'greatest value that an unknown fault or a gross error shows, uniformly up to there',
      'ranges of the machines',
    ),
    beyondCeiling: share(0.01, 'mass beyond that ceiling'),
    broadOhms: of(0.1, 'Ω', 'least resistance of the log-uniform density that reaches 40 MΩ', 'range of a meter'),
    broadOhmsSpan: of(4e8, '1', 'span of that density, greatest over least', 'range of a meter'),
    broadSeconds: of(
      7200,
      's',
      'greatest time of the log-uniform density that begins at 1 s',
      'programs of the machines',
    ),
    elsewhere: share(0.1, 'an unknown fault lies in the very part that is being worked'),
    sharesAcross: of(
      { healthy: 0.35, mixture: 0.35, broad: 0.3 },
      '1',
      'what a reading of the whole shows under an unknown fault: as healthy, as the listed causes, anything',
    ),
    sharesAlone: of(
      { healthy: 0.85, mixture: 0.05, broad: 0.1 },
      '1',
      'the same for a part measured, worked or looked at by itself',
    ),
    togetherYears: of(
      0.6,
      'years',
      'how long a first fault is lived with before a second may join it, age and hard water counted in',
    ),
    pairsRun: count(64, 'most pairs of faults run as pairs for one state of evidence'),
    afterRepair: of(4, '1', 'as many times more after a repair that did not do', TUNED),
    pairBatch: count(16, 'pairs run before the rest is weighed again'),
    truncatedLeft: share(0.02, 'pairs are run until what is left is at most this share of what is known', TUNED),
    truncatedMuch: share(0.5, 'where more than this share of all is not run, as many pairs are run as after a repair'),
    boundReached: share(0.3, 'share of their bound that pairs come to before any has been run', TUNED),
    boundReachedLeast: share(0.05, 'pairs not run are never taken for less than this share of their bound', TUNED),
    provenBelow: share(0.01, 'remaining probability under which a link counts as proven'),
    restingFrom: share(0.03, 'probability that a link comes and goes from which it counts as intermittent'),
    provenRatio: share(0.5, 'a proven link: readings are at most this likely with its faults as without'),
    faultyAbove: share(0.9, 'probability above which a link counts as faulty'),
    inBand: of(0.85, 'half widths', 'a reading up to here is as it should be'),
    nearEdge: of(1.25, 'half widths', 'a reading up to here is near the edge'),
    retakenFrom: share(
      0.1,
      'probability of a gross error from which the most doubted reading is taken again where nothing fits',
      TUNED,
    ),
    healthySupply: of(
      4,
      'standard deviations',
      'volts this near to healthy say what the supply is, and currents are judged by them',
    ),
    doubtAbove: share(0.5, 'probability of a gross error above which a reading is in doubt'),
    candidateFrom: share(0.002, 'a candidate that the sheet does not list, lighter than this, is not named'),
    candidateHopeless: of(
      14,
      'nat',
      'a candidate whose readings of one run fit worse by this is not run further',
      TUNED,
    ),
    distinguishable: of(3, 'standard deviations', 'two predicted values are told apart beyond this'),
    sensesDistinguishable: share(0.7, 'two chances of a yes are told apart beyond this difference'),
  },
  plan: {
    minutesPerMoney: of(1, 'min', 'what one unit of money weighs'),
    callBack: of(60, 'min', 'coming back because a repair did not hold'),
    callOut: of(90, 'min', 'licensed people called for what is theirs: their way and their hour'),
    liveMargin: of(
      4,
      'min',
      'a live reading is taken where it saves this much more than the best that is not; to and fro are counted besides',
    ),
    tieWithin: of(1, 'min', 'two tests whose savings differ by less are told apart by what they cost and open'),
    provenRest: share(0.02, 'a repair without which no more than this is left is done before a second fault is hunted'),
    tieTells: share(0.5, 'and the cheaper one saves by itself at least this share of what the other does'),
    overrunWaited: of(10, 'min', 'how long what does not end is waited for'),
    prove: of(8, 'min', 'proving a repair with a watched cycle'),
    wrongPart: of(30, 'min', 'a part fitted in vain: taken back, explained, written off'),
    giveUp: of(90, 'min', 'what it takes when the cause is none of those listed'),
    repairsUntil: share(0.01, 'trying repairs ends when this share of the listed mass is left', TUNED),
    minSaving: of(0.05, 'min', 'a test is worth offering when it is expected to save at least this'),
    minSavingRatio: share(0.5, 'share of its minutes that a test must save to go on, one step looked at'),
    negligiblePosterior: of(2e-3, '1', 'hypotheses below this do not count when tests are compared', TUNED),
    bins: count(12, 'most distinct ranges of values that a test may end in'),
    cutFrom: of(0.5, 'standard deviations', 'gap between two predicted values from which a cut is worth it', TUNED),
    negligibleBin: share(1e-6, 'a range that a hypothesis falls into more seldom is no outcome of it', TUNED),
    negligiblePattern: share(0.02, 'a pattern of a column that a hypothesis shows more seldom is not followed', TUNED),
    mostPatterns: count(40, 'patterns of a column that are told apart; the rest counts as one'),
    healthyOutcome: share(0.5, 'what only a healthy machine shows is an outcome from this chance on', TUNED),
    timesWorked: count(10, 'times that a switch is worked when nobody says otherwise', 'the trade’s ten dips'),
    unknownIgnored: share(0.2, 'as long as an unknown fault is less likely, a test must tell what is listed apart'),
    tabled: count(20, 'tests that the lookahead works with'),
    tried: count(8, 'tests tried at the root of the lookahead'),
    deepest: count(5, 'tests that a rollout follows one after another'),
    followedFrom: share(0.01, 'share of the whole below which an outcome is not followed further', TUNED),
    remedyFrom: share(0.001, 'a repair with less of the belief is not listed', TUNED),
    standsAbove: share(0.95, 'the cause stands when one repair cures it with at least this probability'),
    unprovenAbove: share(0.01, 'probability above which a fault is not proven absent'),
    cheapLook: of(2, 'min', 'a direct look at the cause that takes no longer is taken before the cause stands'),
    dearPart: of(35, 'money', 'from this price on no part is bought without one direct reading of it'),
    dearLook: of(12, 'min', 'longest such reading'),
    smallPrice: of(5, 'money', 'price up to which a part (a screen, a fuse) is not worth being sure of'),
    distinguishFrom: share(
      0.02,
      'a candidate that the sheet does not list is told from the likeliest cause from here on',
    ),
    quickerDone: share(0.5, 'probability above which a cheap repair is sooner done than told from the rest'),
  },
}
