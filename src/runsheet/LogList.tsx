'use client';

import { Box, Grid, Text } from '@chakra-ui/react';
import { showTime } from '@/core/runsheet/time';
import type { LogEntry } from '@/data/rows';

/** Log entries in order; one that another takes the place of stays readable, struck through. */
export function LogList({ entries, timeZone, onCorrect }: { entries: readonly LogEntry[]; timeZone: string; onCorrect?: (entry: LogEntry) => void }) {
  const replaced = new Set(entries.map(({ corrects }) => corrects));
  return (
    <Box as="ol" listStyleType="none">
      {entries.map((entry) => (
        <Grid
          as="li"
          key={entry.id}
          id={`entry-${entry.id}`}
          templateColumns={{ base: '1fr', md: '170px 90px 1fr auto' }}
          columnGap="4"
          borderTopWidth="1px"
          borderColor="line"
          py="2"
        >
          <Text fontFamily="mono" fontSize="15px" color="soft">
            {showTime(entry.at, timeZone)}
          </Text>
          <Text color="soft" fontSize="15px">
            {entry.stage ?? 'workshop'}
          </Text>
          <Text whiteSpace="pre-wrap" {...(replaced.has(entry.id) && { textDecoration: 'line-through', color: 'soft' })}>
            {entry.corrects !== null && <Text as="span" color="soft">{`(in place of entry ${entry.corrects}) `}</Text>}
            {entry.words}
          </Text>
          {onCorrect && entry.kind === 'note' && !replaced.has(entry.id) && (
            <Box>
              <button
                type="button"
                onClick={() => onCorrect(entry)}
                style={{ textDecoration: 'underline', minHeight: 32, color: 'var(--chakra-colors-work)' }}
              >
                Reword
              </button>
            </Box>
          )}
        </Grid>
      ))}
    </Box>
  );
}
