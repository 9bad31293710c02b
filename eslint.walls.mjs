import boundaries from 'eslint-plugin-boundaries'

/**
 * The walls of the house: which room may use which. A page cannot be reached from below, features meet through their
 * index, areas through their service, the engine runs in its worker alone. Types cross where nothing is loaded.
 */

/**
 * Arrows inside core. Rooms stand from the ground up: each may use those above it in this list; a room that stands
 * apart has its arrows written out below.
 */
const UPWARDS = [
  'foundation',
  'evidence',
  'circuit',
  'water',
  'kinds',
  'sheet',
  'machine',
  'simulate',
  'instrument',
  'measurements',
  'calibration',
  'catalogue',
  'hypotheses',
  'predict',
  'belief',
  'plan',
  'advice',
]
const CORE = {
  ...Object.fromEntries(UPWARDS.map((room, i) => [room, UPWARDS.slice(0, i)])),
  diagram: [...UPWARDS.slice(0, UPWARDS.indexOf('hypotheses')), 'ladder'],
  ladder: UPWARDS.slice(0, UPWARDS.indexOf('simulate')),
  // Where the lines of a picture go: nothing of the engine in it.
  layout: [],
  words: ['foundation', 'evidence', 'job'],
  search: ['foundation'],
  archive: ['job'],
  job: ['foundation', 'evidence'],
  measuring: ['foundation'],
  running: ['foundation'],
  report: ['foundation', 'job', 'words'],
  hearing: [],
  metering: [],
  statistics: UPWARDS.slice(0, UPWARDS.indexOf('simulate')),
  sync: ['foundation', 'job'],
  // The second simulator shares the language of machines and nothing of the solvers.
  truth: UPWARDS.slice(0, UPWARDS.indexOf('measurements')),
}
CORE.advice.push('job', 'words', 'diagram', 'running', 'report', 'statistics')

/** What a page may run of core; the engine runs in the worker. */
const FOR_PAGES = [
  'foundation',
  'words',
  'measuring',
  'running',
  'report',
  'hearing',
  'metering',
  'job',
  'sync',
  'search',
  'layout',
  'stock',
  'schedule',
]
/** What the server may run of core outside its worker pool. */
const FOR_SERVER = [
  'archive',
  'foundation',
  'report',
  'words',
  'job',
  'sync',
  'metering',
  'stock',
  'schedule',
  'statistics',
]

const is = (type, captured) => ({ element: { type, ...(captured ? { captured } : {}) } })
/** A room through the one file that is its door. */
const door = (type, file) => ({ ...is(type), file: { path: `**/${file}.ts` } })
const rooms = (list) => ({ element: { type: 'core', captured: { room: list } } })
/** Rooms of core through their tables of contents. */
const roomDoors = (list) => ({ ...rooms(list), file: { path: '**/index.ts' } })
const anyRoom = { ...is('core'), file: { path: '**/index.ts' } }
const allow = (from, ...to) => to.map((t) => ({ from, allow: { to: t } }))
const same = (type, key) => ({
  from: is(type),
  allow: { to: is(type, { [key]: `{{ from.element.captured.${key} }}` }) },
})

const elements = [
  ...['physics', 'model', 'simulation', 'diagnosis', 'diagram'].map((group) => ({
    type: 'core',
    pattern: `core/${group}/*`,
    capture: ['room'],
  })),
  { type: 'core', pattern: 'core/*', capture: ['room'] },
  { type: 'contracts', pattern: 'shared/contracts' },
  { type: 'feature', pattern: 'app/features/*', capture: ['name'] },
  { type: 'ui', pattern: 'app/ui' },
  { type: 'engine', pattern: 'app/engine' },
  { type: 'data', pattern: 'app/data' },
  { type: 'page', pattern: 'app/pages' },
  { type: 'page', pattern: 'app/middleware' },
  { type: 'page', pattern: 'app/plugins' },
  { type: 'route', pattern: 'server/api' },
  { type: 'area', pattern: 'server/areas/*', capture: ['name'] },
  { type: 'platform', pattern: 'server/platform' },
  { type: 'pool', pattern: 'server/engine' },
  { type: 'database', pattern: 'server/database' },
  { type: 'start', pattern: 'server/plugins' },
]

const policies = [
  ...Object.entries(CORE).flatMap(([room, list]) => allow(rooms([room]), rooms([room]), roomDoors(list))),
  same('feature', 'name'),
  same('area', 'name'),
  ...['contracts', 'ui', 'engine', 'data', 'page', 'route', 'platform', 'pool', 'database', 'start'].flatMap((t) =>
    allow(is(t), is(t)),
  ),

  ...allow(is('contracts'), roomDoors(['foundation', 'job', 'metering', 'stock', 'schedule'])),

  ...allow(is('page'), door('feature', 'index'), is('ui')),
  ...allow(
    is('feature'),
    is('ui'),
    is('data'),
    is('engine'),
    is('contracts'),
    door('feature', 'index'),
    roomDoors(FOR_PAGES),
  ),
  ...allow(is('data'), is('contracts'), roomDoors(FOR_PAGES)),
  ...allow(is('engine'), anyRoom),
  // Types are nowhere at run time.
  ...['feature', 'ui', 'data', 'area'].map((t) => ({
    from: is(t),
    allow: { to: anyRoom, dependency: { kind: 'type' } },
  })),
  { from: is('pool'), allow: { to: door('area', 'service'), dependency: { kind: 'type' } } },
  { from: rooms(['words', 'job', 'truth', 'layout']), allow: { to: anyRoom, dependency: { kind: 'type' } } },

  ...allow(is('route'), is('area'), is('platform'), is('contracts')),
  ...allow(is('area'), door('area', 'service'), is('platform'), is('database'), is('contracts'), roomDoors(FOR_SERVER)),
  // The language version names a revision; nothing is run.
  { from: is('area', { name: 'sheets' }), allow: { to: roomDoors(['sheet']) } },
  ...allow(is('platform'), is('contracts'), is('area', { name: 'session' }), is('database'), roomDoors(['words'])),
  ...allow(is('pool'), anyRoom, is('database')),
  ...allow(is('database'), is('area'), is('platform'), is('pool'), roomDoors(FOR_SERVER)),
  ...allow(is('start'), is('area'), is('platform'), is('pool')),
]

const PURE = {
  'no-restricted-imports': [
    'error',
    {
      patterns: [
        {
          group: [
            'vue',
            'vue-router',
            'pinia',
            'primevue*',
            'nuxt*',
            '#*',
            '~*',
            'h3',
            'sequelize',
            'pg',
            'dexie',
            'node:*',
          ],
          message: 'core is pure.',
        },
      ],
    },
  ],
  'no-restricted-globals': [
    'error',
    'window',
    'document',
    'process',
    'fetch',
    'setTimeout',
    'performance',
    'localStorage',
  ],
  'no-restricted-properties': ['error', { object: 'Math', property: 'random' }, { object: 'Date', property: 'now' }],
  'no-restricted-syntax': [
    'error',
    { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The clock comes from outside.' },
  ],
}

/** Imports that a room does without. */
const doors = (group, message) => ({ 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] })

export const walls = [
  {
    files: ['core/**/*.ts', 'shared/**/*.ts', 'app/**/*.{ts,vue}', 'server/**/*.ts'],
    plugins: { boundaries },
    settings: {
      'boundaries/elements': elements,
      'import/resolver': { node: { extensions: ['.ts', '.vue', '.mjs'] } },
    },
    rules: {
      'boundaries/dependencies': ['error', { default: 'disallow', policies }],
    },
  },
  { files: ['core/**/*.ts'], rules: PURE },
  {
    files: ['app/ui/**'],
    rules: doors(['dexie', 'pinia', '#*', '~*', 'nuxt*'], 'ui knows vue and primevue alone.'),
  },
  {
    files: ['server/api/**/*.ts'],
    rules: doors(
      ['**/database/**', '**/*repository', 'sequelize', 'pg'],
      'A route parses, asks who it is, calls one service, answers.',
    ),
  },
  {
    files: ['server/areas/*/{service,append,import,mapper,refold}.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='query']",
          message: 'SQL stands in the repository of the area.',
        },
      ],
    },
  },
]
