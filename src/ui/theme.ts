import { createSystem, defineConfig, defineRecipe } from '@chakra-ui/react';
import { defaultBaseConfig } from '@chakra-ui/react/preset-base';
import {
  breakpoints,
  buttonRecipe,
  cssVarsPrefix,
  cssVarsRoot,
  dialogSlotRecipe,
  globalCss,
  headingRecipe,
  keyframes,
  layerStyles,
  linkRecipe,
  semanticTokens,
  spinnerRecipe,
  textStyles,
  toastSlotRecipe,
  tokens,
} from '@chakra-ui/react/theme';

/** Tokens of `docs/design.md`: calm paper and graphite, one working colour, red-orange for hazards, amber for time. */
const pair = (light: string, dark: string) => ({ value: { base: light, _dark: dark } });

const button = defineRecipe({
  base: {
    fontWeight: '650',
    borderRadius: '3px',
    minHeight: '44px',
    fontFamily: 'body',
    letterSpacing: '0',
    gap: '2',
    _focusVisible: { outline: '3px solid', outlineColor: 'focus', outlineOffset: '2px' },
  },
  variants: {
    variant: {
      go: {
        bg: 'work',
        color: 'onWork',
        _hover: { bg: 'workStrong' },
        _disabled: { bg: 'line', color: 'soft', opacity: 1 },
      },
      quiet: {
        bg: 'transparent',
        color: 'ink',
        borderWidth: '1.5px',
        borderColor: 'lineStrong',
        _hover: { bg: 'sheet', borderColor: 'work' },
      },
      hazard: { bg: 'hazard', color: 'onHazard', _hover: { opacity: 0.9 } },
      bare: {
        bg: 'transparent',
        color: 'work',
        textDecoration: 'underline',
        textUnderlineOffset: '3px',
        px: '2',
        _hover: { color: 'ink' },
      },
    },
    size: { bench: { h: '56px', px: '6', fontSize: '18px' }, desk: { h: '46px', px: '4', fontSize: '16px' } },
  },
  defaultVariants: { variant: 'quiet' as never, size: 'desk' as never },
});

/** The part of something by the names of what is in it. */
const only = <Of extends object, Name extends keyof Of>(of: Of, ...names: Name[]): Pick<Of, Name> =>
  Object.fromEntries(names.map((name) => [name, of[name]])) as Pick<Of, Name>;

const { bg, fg, border, gray } = semanticTokens.colors;

/**
 * Of the library's looks only those of the parts that the house uses: all of them would be a fifth of every page's script. Of its
 * colours the greys: the others are our own, and each name is worked out anew by every page before it wakes.
 */
const library = defineConfig({
  preflight: true,
  cssVarsPrefix,
  cssVarsRoot,
  globalCss,
  theme: {
    breakpoints,
    keyframes,
    tokens: {
      ...tokens,
      colors: only(tokens.colors, 'transparent', 'current', 'black', 'white', 'blackAlpha', 'gray'),
    },
    semanticTokens: {
      ...semanticTokens,
      colors: {
        gray,
        bg: only(bg, 'DEFAULT', 'subtle', 'muted', 'emphasized', 'inverted', 'panel'),
        fg: only(fg, 'DEFAULT', 'subtle', 'muted', 'inverted'),
        border: only(border, 'DEFAULT', 'subtle', 'muted', 'emphasized', 'inverted'),
      },
    },
    textStyles,
    layerStyles: only(layerStyles, 'disabled'),
    recipes: {
      button: buttonRecipe,
      spinner: spinnerRecipe,
      heading: headingRecipe,
      link: linkRecipe,
    },
    slotRecipes: {
      dialog: dialogSlotRecipe,
      toast: toastSlotRecipe,
    },
  },
});

const config = defineConfig({
  globalCss: {
    'html, body': { bg: 'paper', color: 'ink', fontFamily: 'body', fontSize: '17px', lineHeight: '1.45' },
    'h1, h2, h3': { fontFamily: 'heading', lineHeight: '1.15', letterSpacing: '-0.01em' },
    '*:focus-visible': { outline: '3px solid', outlineColor: 'focus', outlineOffset: '2px' },
    'input, select, textarea': { fontSize: '17px' },
  },
  theme: {
    tokens: {
      fonts: {
        heading: { value: "'Bricolage Grotesque Variable', sans-serif" },
        body: { value: "'Atkinson Hyperlegible Next Variable', sans-serif" },
        mono: { value: "'Atkinson Hyperlegible Mono', monospace" },
      },
    },
    semanticTokens: {
      colors: {
        paper: pair('#f3efe6', '#191d1f'),
        sheet: pair('#fbf8f1', '#22282b'),
        ink: pair('#22282b', '#ebe6da'),
        soft: pair('#565e61', '#a9afa5'),
        line: pair('#d3ccbc', '#3d4549'),
        lineStrong: pair('#8d8877', '#6d767a'),
        work: pair('#0b5c61', '#63c3bf'),
        workStrong: pair('#084549', '#8adad6'),
        onWork: pair('#ffffff', '#10201f'),
        hazard: pair('#a8330b', '#ff8b5e'),
        onHazard: pair('#ffffff', '#2a0f04'),
        hazardSheet: pair('#fbeae2', '#3a231b'),
        amber: pair('#f0b13c', '#f0b13c'),
        onAmber: pair('#2c1d00', '#2c1d00'),
        sun: pair('#b0760a', '#eab54a'),
        focus: pair('#0b5c61', '#f0b13c'),
        tape: pair('#e6d9a8', '#cbbd87'),
        onTape: pair('#2b2614', '#231f10'),
      },
    },
    recipes: { button },
  },
});

const made = createSystem(defaultBaseConfig, library, config);

type Variants = ReturnType<typeof made.cva>;
const variantsOf = new WeakMap<object, Variants>();

/** What holds on every page, whatever is on it: it comes as `theme.css`, which a browser keeps, instead of with each page. */
export const forEveryPage = made._global;

/**
 * How the library styles. Left to itself it makes the variants of an element anew each time that one is drawn, and forgets
 * what it knew of them: here those of one kind of element are made once. What holds on every page is not here: see `forEveryPage`.
 */
export const system: typeof made = {
  ...made,
  _global: [],
  cva: ((of: object = {}) => {
    const known = variantsOf.get(of) ?? (made.cva(of) as Variants);
    variantsOf.set(of, known);
    return known;
  }) as typeof made.cva,
};
