'use client';

import { Flex } from '@chakra-ui/react';
import NextLink from 'next/link';
import { useSearchParams } from 'next/navigation';
import type { Stage } from '@/core/runsheet/stages';
import { viewHref, VIEWS } from '@/core/runsheet/views';

/** The views of a stage; the piece that is in hand goes along from one to the next. */
export function ViewNav({ restorationId, stage, view }: { restorationId: string; stage: Stage; view: string }) {
  const piece = useSearchParams().get('piece');
  if (VIEWS[stage].length === 1) return null;
  return (
    <Flex as="nav" aria-label="Views of this stage" gap="1" overflowX="auto" mb="5" mt="-3" borderBottomWidth="1px" borderColor="line">
      {VIEWS[stage].map(({ at, title }) => {
        const here = at === view;
        return (
          <NextLink
            key={at}
            prefetch={false}
            href={`${viewHref(restorationId, stage, at)}${piece ? `?piece=${encodeURIComponent(piece)}` : ''}`}
            aria-current={here ? 'page' : undefined}
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
        );
      })}
    </Flex>
  );
}
