import { join } from 'node:path'
import { defineNuxtConfig } from 'nuxt/config'
import { licenceNotices } from './scripts/setup/licences.mjs'
import { pagesOf } from './scripts/setup/pages.mjs'
import { zodWithoutEval } from './scripts/setup/zod-without-eval.mjs'
import { bundleBesideServer } from './scripts/setup/beside-server.mjs'
import { engineState } from './scripts/setup/sources.mjs'

const notices = licenceNotices(join(import.meta.dirname, 'package.json'), join(import.meta.dirname, '.nuxt/licences'))

export default defineNuxtConfig({
  compatibilityDate: '2026-01-01',
  // A signed-in tool that must work without a connection: one shell, rendered by the browser.
  ssr: false,
  telemetry: false,
  devtools: { enabled: false },
  modules: ['@nuxt/eslint', '@pinia/nuxt', '@primevue/nuxt-module', '@vite-pwa/nuxt'],
  css: ['~/assets/base.css'],
  app: {
    head: {
      title: 'Duckweed',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1, viewport-fit=cover' },
        { name: 'description', content: 'Find out why water does not come, does not stop or does not leave.' },
        { name: 'theme-color', content: '#f5f4ec' },
      ],
      link: [
        { rel: 'icon', type: 'image/svg+xml', href: '/mark.svg' },
        { rel: 'manifest', href: '/manifest.webmanifest' },
      ],
    },
  },
  hooks: {
    // What a page does not use yet is not fetched ahead of it.
    'build:manifest': (manifest) => {
      for (const file of Object.values(manifest)) file.prefetch = false
    },
  },
  // Own code is imported by name, so that every arrow is seen.
  imports: { scan: false },
  components: { dirs: [] },
  pinia: { storesDirs: [] },
  runtimeConfig: {
    pages: pagesOf(join(import.meta.dirname, 'app/pages')),
    public: { engine: engineState(import.meta.dirname) },
  },
  features: { inlineStyles: false },
  experimental: {
    payloadExtraction: false,
    appManifest: false,
    // No script stands in the page that the server does not know.
    entryImportMap: false,
    // A page is fetched when a hand comes near its link, not because the link is to be seen.
    defaults: { nuxtLink: { prefetchOn: { visibility: false, interaction: true } } },
  },
  primevue: {
    importTheme: { from: '~~/app/assets/theme.ts' },
    options: { ripple: false },
    components: { include: [] },
    directives: { include: [] },
  },
  pwa: {
    registerType: 'prompt',
    client: { registerPlugin: true, installPrompt: false, periodicSyncForUpdates: 3600 },
    manifest: {
      name: 'Duckweed',
      short_name: 'Duckweed',
      description: 'Find out why water does not come, does not stop or does not leave.',
      start_url: '/today',
      display: 'standalone',
      background_color: '#f5f4ec',
      theme_color: '#f5f4ec',
      icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
    },
    workbox: {
      // One shell for every address; what lies under /api is never answered from here.
      navigateFallback: '/',
      navigateFallbackDenylist: [/^\/api\//],
      globPatterns: ['**/*.{js,css,html,svg,woff2,webmanifest}'],
      cleanupOutdatedCaches: true,
      clientsClaim: true,
      skipWaiting: false,
    },
  },
  routeRules: {
    '/': { prerender: true },
    '/_nuxt/**': { headers: { 'cache-control': 'public, max-age=31536000, immutable' } },
    '/**': {
      headers: {
        'x-content-type-options': 'nosniff',
        'x-frame-options': 'DENY',
        'referrer-policy': 'same-origin',
        'cross-origin-opener-policy': 'same-origin',
        // Photos and the ear; nothing else of the device is ever asked for.
        'permissions-policy': 'camera=(self), microphone=(self), geolocation=(), payment=(), usb=(), serial=()',
      },
    },
  },
  nitro: {
    compressPublicAssets: { gzip: true, brotli: true },
    errorHandler: '~~/server/platform/error-handler.ts',
    serverAssets: [{ baseName: 'library', dir: '../library' }],
    publicAssets: [{ dir: '../.nuxt/licences' }],
    hooks: { compiled: ({ options }) => bundleBesideServer(options.output.serverDir) },
  },
  vite: {
    worker: { format: 'es', plugins: () => [zodWithoutEval, ...notices.workers()] },
    build: { modulePreload: { polyfill: false } },
    plugins: [zodWithoutEval, ...notices.pages],
  },
  typescript: { tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } } },
  eslint: { config: { standalone: true } },
})
