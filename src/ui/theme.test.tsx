import createCache from '@emotion/cache';
import { CacheProvider, Global, type Interpolation, type Theme } from '@emotion/react';
import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { renderToStaticMarkup } from 'react-dom/server';
import { forEveryPage, system } from './theme';

const FILE = path.join(import.meta.dirname, 'theme.css');
const LAYERS = '@layer reset, base, tokens, recipes;';

const style = (styles: unknown): string =>
  renderToStaticMarkup(
    <CacheProvider value={createCache({ key: 'kv' })}>
      <Global styles={styles as Interpolation<Theme>} />
    </CacheProvider>,
  ).replace(/^<style[^>]*>|<\/style>$/g, '');

describe('theme.css', () => {
  it('is what the theme says of every page; written anew with KVELL_WRITE_THEME=1', async () => {
    const css = `${LAYERS}\n${style(forEveryPage).replaceAll('}}', '}}\n')}`;
    if (process.env.KVELL_WRITE_THEME) await writeFile(FILE, css);
    // Compared outside `expect`, which would show all fifty thousand signs of both.
    const isTheSame = (await readFile(FILE, 'utf8')) === css;
    expect({ isTheSame, knowsOurColours: css.includes('--chakra-colors-work:') }).toEqual({
      isTheSame: true,
      knowsOurColours: true,
    });
  });

  it('is not sent once more with each page', () => {
    expect(style(system._global)).toBe('');
    expect(style(system.layers.atRule)).toBe(LAYERS.replaceAll(', ', ','));
  });
});
