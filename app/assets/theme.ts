import { definePreset } from '@primeuix/themes'
import base from '@primeuix/themes/nora/base'
import button from '@primeuix/themes/nora/button'
import inputtext from '@primeuix/themes/nora/inputtext'
import select from '@primeuix/themes/nora/select'
import textarea from '@primeuix/themes/nora/textarea'
import iconfield from '@primeuix/themes/nora/iconfield'

/** Design tokens of our own, for the few components in use: pond green on paper, deep water at night. */
export default {
  preset: definePreset(
    { ...base, components: { button, inputtext, select, textarea, iconfield } },
    {
      semantic: {
        primary: {
          50: '#f0f6ee',
          100: '#dcebd8',
          200: '#b9d7b3',
          300: '#8fbd8a',
          400: '#5f9e63',
          500: '#2f7d4a',
          600: '#21663a',
          700: '#1a5230',
          800: '#153f27',
          900: '#0f2e1d',
          950: '#081b11',
        },
        borderRadius: { none: '0', xs: '3px', sm: '6px', md: '10px', lg: '14px', xl: '18px' },
        formField: { paddingX: '0.85rem', paddingY: '0.7rem', borderRadius: '10px' },
      },
    },
  ),
  options: { darkModeSelector: '.dark' },
}
