// Node 20 lacks Object.groupBy, which the presets use.
Object.groupBy ??= (items, key) => {
  const out = Object.create(null)
  for (const item of items) (out[key(item)] ??= []).push(item)
  return out
}
const { default: withNuxt } = await import('./.nuxt/eslint.config.mjs')

/** Rooms of core, left to right: each may import only from rooms before it. */
const ROOMS = [
  'issue',
  'quantity',
  'evidence',
  'linear',
  'circuit',
  'water',
  'kinds',
  'sheet',
  'machine',
  'simulate',
  'instrument',
  'procedure',
  'predict',
  'diagnose',
  'plan',
  'explain',
]
/** Rooms with arrows of their own. */
const OWN = {
  job: ['evidence'],
  // The second simulator shares the language of machines and nothing of the solvers.
  reference: ['circuit', 'water', 'kinds', 'sheet', 'machine', 'simulate'],
}

const wall = (room, allowed) => {
  const closed = [...ROOMS, ...Object.keys(OWN)].filter((r) => r !== room && !allowed.includes(r))
  return {
    files: [`core/${room}/**/*.ts`],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: closed.flatMap((r) => [`../${r}`, `../${r}/*`, `../../${r}`, `../../${r}/*`]),
              message: `${room} may import only from ${allowed.join(', ') || 'nothing'}.`,
            },
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
                'node:*',
                '../../app/**',
                '../../../app/**',
                '../../server/**',
                '../../../server/**',
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
        'Date',
      ],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }],
    },
  }
}

export default withNuxt(
  { ignores: ['.output/**', '.data/**', 'test-results/**', 'docs/**'] },
  ...ROOMS.map((room, i) => wall(room, ROOMS.slice(0, i))),
  ...Object.entries(OWN).map(([room, allowed]) => wall(room, allowed)),
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/attributes-order': 'off',
      '@typescript-eslint/unified-signatures': 'off',
    },
  },
)
