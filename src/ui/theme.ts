import { createSystem, defaultConfig, defineConfig } from '@chakra-ui/react'

/** The inks of both themes, as [Daylight, Loft]; canvases take them from here too. */
export const INKS = {
  paper: ['#F7F5EF', '#171B1F'],
  sheet: ['#FFFEFA', '#20262B'],
  ink: ['#1C2126', '#DCD7CA'],
  soft: ['#5A636C', '#A6ABA6'],
  rule: ['#D3D0C6', '#3B434A'],
  bar: ['#1C2126', '#0E1114'],
  onBar: ['#F7F5EF', '#DCD7CA'],
  good: ['#1D7467', '#62C2B1'],
  check: ['#8A5F00', '#DBAC3F'],
  stop: ['#AE2A1F', '#F08375'],
  // What drawings are made of.
  seen: ['#F3E4DA', '#37281E'],
  hatch: ['#CFCBC0', '#4A535B'],
  part: ['#E4E1D7', '#39424A'],
  copper: ['#A84B1C', '#E79465'],
} as const
export type Ink = keyof typeof INKS

/**
 * Two themes named for where they are used: Daylight (paper and ink) and Loft (dark, for work by head
 * torch).
 */
const both = (daylight: string, loft: string) => ({ value: { _light: daylight, _dark: loft } })

const { copper, ...plain } = INKS
const tokens = Object.fromEntries(
  Object.entries(plain).map(([name, [daylight, loft]]) => [name, both(daylight, loft)]),
)

/** For the sun on the glass: black on white, and no ink under 7 : 1 (WCAG 2.2, 1.4.6). */
const GLARE = {
  'paper': '#FFFFFF',
  'sheet': '#FFFFFF',
  'ink': '#000000',
  'soft': '#33393F',
  'rule': '#6B7075',
  'good': '#0C5348',
  'check': '#5F4100',
  'stop': '#86180F',
  'copper-solid': '#7E3511',
  'copper-contrast': '#FFFFFF',
  'copper-fg': '#7E3511',
  'inky-solid': '#000000',
  'inky-contrast': '#FFFFFF',
  'inky-fg': '#000000',
  'fg': '#000000',
  'fg-muted': '#33393F',
  'fg-error': '#86180F',
  'bg': '#FFFFFF',
  'bg-panel': '#FFFFFF',
}
const glaring = Object.fromEntries(
  Object.entries(GLARE).map(([name, colour]) => [`--chakra-colors-${name}`, `${colour} !important`]),
) as Record<`--${string}`, string>

const SIZES = ['2xs', 'xs', 'sm', 'md', 'lg', 'xl', '2xl']
const FINGER = { minH: '44px', minW: '44px' }

const config = defineConfig({
  globalCss: {
    'html': { bg: 'paper', color: 'ink', fontSize: '16px', colorPalette: 'copper' },
    // Sizes everywhere go by the root's: a person's choice on this device.
    'html[data-size=large]': { fontSize: '18.5px' },
    'html[data-size=largest]': { fontSize: '21px' },
    'html[data-hand=left] [data-foot]': { flexDirection: 'row-reverse' },
    'html[data-glare]': glaring,
    // A gloved finger: what is pressed on glass is larger than what is clicked.
    'button, select, [role=radio], a.chakra-button': {
      '@media (pointer: coarse)': { minHeight: '48px !important', minWidth: '48px !important' },
    },
    'nav a': { '@media (pointer: coarse)': { minHeight: '48px !important' } },
    // Rows that stand one upon the other: between the middles of two lie a finger's 48 px and 8 px to spare.
    '[data-row], summary': { '@media (pointer: coarse)': { minHeight: '56px !important' } },
    // A screen as it was last seen, in the place of the one that is still being opened.
    '#last-seen': { position: 'fixed', inset: 0, zIndex: 9999, overflowY: 'auto', bg: 'paper', color: 'ink' },
    '#last-seen > [role=status]': {
      position: 'fixed',
      top: 0,
      insetInline: 0,
      zIndex: 1,
      bg: 'bar',
      color: 'onBar',
      textAlign: 'center',
    },
    '#last-seen [aria-busy]': { outline: '3px dashed' },
    'body, #last-seen': { bg: 'paper', color: 'ink', fontSize: '0.9375rem', lineHeight: '1.45' },
    'h1, h2, h3, h4': { fontFamily: 'heading', fontWeight: 600, lineHeight: 1.2 },
    'table, .figures': { fontVariantNumeric: 'tabular-nums' },
    '.no-print': { _print: { display: 'none !important' } },
  },
  theme: {
    // Gloves and glare: nothing to press is smaller than this, whatever its size is called.
    recipes: { button: { variants: { size: Object.fromEntries(SIZES.map((size) => [size, FINGER])) } } },
    tokens: {
      fonts: {
        heading: { value: "'Barlow Semi Condensed', sans-serif" },
        body: { value: "'Barlow', sans-serif" },
        mono: { value: "'B612 Mono', monospace" },
      },
    },
    semanticTokens: {
      colors: {
        ...tokens,
        copper: {
          solid: both('#A84B1C', '#C2612E'),
          contrast: both('#FFFEFA', '#14110F'),
          fg: both(...copper),
          muted: both('#EBD3C4', '#4A3020'),
          subtle: both('#F5E9E1', '#33251B'),
          emphasized: both('#D9A88B', '#6B442D'),
          focusRing: both('#A84B1C', '#E79465'),
          border: both('#A84B1C', '#E79465'),
        },
        inky: {
          solid: both('#1C2126', '#DCD7CA'),
          contrast: both('#F7F5EF', '#171B1F'),
          fg: both('#1C2126', '#DCD7CA'),
          muted: both('#E4E1D7', '#30373D'),
          subtle: both('#EFECE4', '#262D33'),
          emphasized: both('#CFCBC0', '#454E56'),
          focusRing: both('#A84B1C', '#E79465'),
          border: both('#1C2126', '#8C928E'),
        },
        bg: {
          DEFAULT: both('#F7F5EF', '#171B1F'),
          panel: both('#FFFEFA', '#20262B'),
          muted: both('#EFECE4', '#262D33'),
          subtle: both('#F2EFE8', '#1C2226'),
        },
        fg: {
          DEFAULT: both('#1C2126', '#DCD7CA'),
          muted: both('#5A636C', '#A6ABA6'),
          error: both('#AE2A1F', '#F08375'),
        },
        border: { DEFAULT: both('#D3D0C6', '#3B434A'), error: both('#AE2A1F', '#F08375') },
      },
      radii: { l1: { value: '2px' }, l2: { value: '2px' }, l3: { value: '2px' } },
    },
  },
})

/**
 * What of the library's own theme is in use: a phone would reckon the rest out at every start. A test tells
 * what is missing here.
 */
const USED = {
  recipes: ['button', 'checkmark', 'heading', 'icon', 'input', 'spinner', 'textarea'],
  slotRecipes: [
    'checkbox',
    'combobox',
    'dialog',
    'field',
    'fieldset',
    'menu',
    'nativeSelect',
    'progress',
    'table',
  ],
  colours: ['transparent', 'current', 'black', 'white', 'gray', 'red', 'bg', 'fg', 'border'],
} as const

const only = <T extends object>(of: T | undefined, names: readonly string[]): T =>
  Object.fromEntries(Object.entries(of ?? {}).filter(([name]) => names.includes(name))) as T

const { theme } = defaultConfig
const base = {
  ...defaultConfig,
  theme: {
    ...theme,
    recipes: only(theme?.recipes, USED.recipes),
    slotRecipes: only(theme?.slotRecipes, USED.slotRecipes),
    tokens: { ...theme?.tokens, colors: only(theme?.tokens?.colors, USED.colours) },
    semanticTokens: { ...theme?.semanticTokens, colors: only(theme?.semanticTokens?.colors, USED.colours) },
  },
}

export const system = createSystem(base, config)
