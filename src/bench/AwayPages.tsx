'use client';

import { Box, Heading, Text } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { KEPT_PAGES } from '@/core/runsheet/keptPages';
import { pageWords } from '@/ui/pageWords';

interface Opened {
  href: string;
  title: string;
}

/** Pages that this device keeps, as it last saw them. */
async function opened(): Promise<Opened[]> {
  const cache = await caches.open(KEPT_PAGES);
  const kept = await Promise.all(
    (await cache.keys()).map(async ({ url }) => {
      const { pathname, search } = new URL(url);
      const html = (await (await cache.match(url))?.text()) ?? '';
      return {
        href: pathname + search,
        title: pageWords(new DOMParser().parseFromString(html, 'text/html'), pathname),
      };
    }),
  );
  return kept.filter(({ href }) => href !== '/away').sort((a, b) => a.title.localeCompare(b.title, 'en'));
}

/** Says that the page is not on this device, and leads to those that are. */
export function AwayPages() {
  const [pages, setPages] = useState<Opened[]>([]);
  useEffect(() => {
    // No service worker, nothing kept: plain http from another machine.
    if ('caches' in window) void opened().then(setPages, () => setPages([]));
  }, []);
  return (
    <Box maxWidth="720px">
      <Heading as="h1" size="3xl">
        This page is not on this device
      </Heading>
      <Text mt="3">
        Pages that were opened here while Kvell answered can be read while it is away, as they stood then. This one was
        not.
      </Text>
      {pages.length > 0 && (
        <Box as="ul" mt="4" listStyleType="none">
          {pages.map(({ href, title }) => (
            <Box as="li" key={href}>
              {/* From the cache of the browser: a link of the application would ask Kvell first. */}
              <a href={href} className="row">
                {title}
              </a>
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
