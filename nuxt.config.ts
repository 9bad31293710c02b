import { defineNuxtConfig } from 'nuxt/config'

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@nuxt/eslint', '@pinia/nuxt', '@primevue/nuxt-module', 'nuxt-auth-utils'],
  css: [
    '@fontsource-variable/atkinson-hyperlegible-next/index.css',
    '@fontsource-variable/atkinson-hyperlegible-mono/index.css',
    'primeicons/primeicons.css',
    '~/assets/base.css',
  ],
  app: {
    head: {
      title: 'Duckweed',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'Find out why water does not come, does not stop or does not leave.' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' }],
    },
  },
  primevue: {
    importTheme: { from: '~~/app/assets/theme.ts' },
    options: { ripple: false },
    components: {
      include: [
        'Button',
        'InputText',
        'Password',
        'Select',
        'Checkbox',
        'Message',
        'Textarea',
        'ProgressBar',
        'Drawer',
        'SelectButton',
      ],
    },
  },
  runtimeConfig: {
    databaseUrl: '',
    session: { maxAge: 60 * 60 * 24 * 7, name: 'duckweed', password: '' },
  },
  nitro: { errorHandler: '~~/server/error-handler.ts', serverAssets: [{ baseName: 'library', dir: '../library' }] },
  vite: { worker: { format: 'es' } },
  typescript: { tsConfig: { compilerOptions: { noUncheckedIndexedAccess: false } } },
  eslint: { config: { standalone: true } },
})
