'use client';

import { Flex } from '@chakra-ui/react';
import NextLink from 'next/link';

interface Props {
  label: string;
  views: readonly { href: string; title: string; here: boolean }[];
}

/** On a phone the row is wider than the screen: the tab that one is on is scrolled into sight, sideways alone. */
function intoSight(tab: HTMLAnchorElement | null) {
  const row = tab?.parentElement;
  if (tab && row) row.scrollLeft = Math.max(0, tab.offsetLeft - row.offsetLeft - 40);
}

/** The views of a place as a row of index tabs, each with an address of its own. */
export function Views({ label, views }: Props) {
  return (
    <Flex
      as="nav"
      aria-label={label}
      gap="1"
      overflowX="auto"
      mb="5"
      mt="-3"
      borderBottomWidth="1px"
      borderColor="line"
    >
      {views.map(({ href, title, here }) => (
        <NextLink
          key={href}
          prefetch={false}
          href={href}
          aria-current={here ? 'page' : undefined}
          ref={here ? intoSight : undefined}
        >
          <Flex
            align="center"
            minHeight="46px"
            px="3"
            whiteSpace="nowrap"
            fontWeight={here ? '700' : '400'}
            color={here ? 'ink' : 'soft'}
            bg={here ? 'sheet' : 'transparent'}
            borderWidth="1px"
            borderBottomWidth="0"
            borderColor={here ? 'lineStrong' : 'transparent'}
            borderTopWidth="4px"
            borderTopColor={here ? 'work' : 'transparent'}
          >
            {title}
          </Flex>
        </NextLink>
      ))}
    </Flex>
  );
}
