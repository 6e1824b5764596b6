'use client';

import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import { useServerInsertedHTML } from 'next/navigation';
import { useState } from 'react';

const KEY = 'kv';

interface Inserted {
  name: string;
  isGlobal: boolean;
}

/** A cache that remembers what was styled since it was last asked. */
function rememberingCache(nonce: string | undefined) {
  const cache = createCache({ key: KEY, ...(nonce && { nonce }) });
  cache.compat = true;
  const insert = cache.insert;
  let fresh: Inserted[] = [];
  cache.insert = (...given) => {
    const [selector, { name }] = given;
    if (cache.inserted[name] === undefined) fresh.push({ name, isGlobal: selector === '' });
    return insert(...given);
  };
  const takeFresh = () => {
    const taken = fresh;
    fresh = [];
    return taken;
  };
  return { cache, takeFresh };
}

/**
 * Puts the styles that the server made into the head of the page. Left to itself the style library writes
 * them between the elements, and the page does not wake up as the server made it.
 */
export function StyleRegistry({ nonce, children }: { nonce: string | undefined; children: React.ReactNode }) {
  const [{ cache, takeFresh }] = useState(() => rememberingCache(nonce));
  useServerInsertedHTML(() => {
    const fresh = takeFresh();
    if (fresh.length === 0) return null;
    const css = (name: string) => String(cache.inserted[name] ?? '');
    const own = fresh.filter(({ isGlobal }) => !isGlobal);
    return (
      <>
        {fresh
          .filter(({ isGlobal }) => isGlobal)
          .map(({ name }) => (
            <style
              key={name}
              data-emotion={`${KEY}-global ${name}`}
              nonce={nonce}
              dangerouslySetInnerHTML={{ __html: css(name) }}
            />
          ))}
        {own.length > 0 && (
          <style
            data-emotion={`${KEY} ${own.map(({ name }) => name).join(' ')}`}
            nonce={nonce}
            dangerouslySetInnerHTML={{ __html: own.map(({ name }) => css(name)).join('') }}
          />
        )}
      </>
    );
  });
  return <CacheProvider value={cache}>{children}</CacheProvider>;
}
