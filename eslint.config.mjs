// Node 20 lacks Object.groupBy, which the presets use.
Object.groupBy ??= (items, key) => {
  const out = Object.create(null)
  for (const item of items) (out[key(item)] ??= []).push(item)
  return out
}
const { default: withNuxt } = await import('./.nuxt/eslint.config.mjs')

const { walls } = await import('./eslint.walls.mjs')

/** A file or a function that is longer says why beside it. */
const sizes = [
  {
    files: ['{core,app,server,shared,cli,stand-ins,benchmark,scripts}/**/*.{ts,mjs,vue}'],
    rules: { 'max-lines': ['error', 300], 'max-lines-per-function': ['error', { max: 60, IIFEs: true }] },
  },
]

export default withNuxt(
  { ignores: ['.output/**', '.data/**', '.types/**', 'test-results/**', 'docs/**'] },
  ...walls,
  ...sizes,
  {
    rules: {
      'no-useless-rename': 'error',
      'object-shorthand': ['error', 'properties'],
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
