'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { LinkButton, TextLink } from '@/ui/links';
import { Tag } from '@/ui/Tag';
import type { NextStep } from './nextSteps';

interface Props {
  steps: readonly NextStep[];
  more: number;
  /** The first is what the screen is for: no plan stands above it yet. */
  isMain: boolean;
}

/** What each machine waits for. Machines that lie longer are in the list of restorations. */
export function NextStepList({ steps, more, isMain }: Props) {
  return (
    <>
      <Box as="ul" listStyleType="none">
        {steps.map((step, i) => (
          <Grid
            as="li"
            key={step.href}
            templateColumns={{ base: '1fr', md: '1fr auto' }}
            gap="3"
            alignItems="center"
            borderTopWidth="1px"
            borderColor="line"
            py="3"
            _first={{ borderTopWidth: '0' }}
          >
            <Box>
              <Text fontWeight="650" fontSize="19px">
                {step.tag && (
                  <>
                    <Tag>{step.tag}</Tag>{' '}
                  </>
                )}
                {step.restoration}
              </Text>
              {step.unpowered && (
                <Text color="hazard" fontWeight="700">
                  Do not switch it on.
                </Text>
              )}
              <Text color="soft">{step.why}</Text>
            </Box>
            <LinkButton href={step.href} look={isMain && i === 0 ? 'go' : 'quiet'} bench>
              {step.verb}
            </LinkButton>
          </Grid>
        ))}
      </Box>
      {more > 0 && (
        <Text color="soft" mt="3">
          These were worked on last. <TextLink href="/restorations">{more} more are open</TextLink>.
        </Text>
      )}
    </>
  );
}
