'use client';

import { Text } from '@chakra-ui/react';
import { PLACES, type BenchThings, type PlaceName } from '@/core/schedule/facts/facts';
import { AnswerForm } from '@/ui/AnswerForm';
import { TextLink } from '@/ui/links';
import { saveThings } from './actions';

const WORDS: Record<PlaceName, { label: string; hint?: string }> = {
  sink: { label: 'Sinks' },
  tub: { label: 'Tubs to soak in' },
  sun: { label: 'Places in the sun', hint: 'How many pieces find room at once' },
  lamp: { label: 'Lamp boxes' },
  box: { label: 'Warm or vapour boxes' },
  rack: { label: 'Pieces on the drying rack' },
  clamp: { label: 'Repairs that clamps hold at once' },
  meter: { label: 'Meters' },
};

/** How many of each there are at the bench: more than that is not planned at once. */
export function ThingsForm({ things, feed }: { things: BenchThings; feed: string }) {
  return (
    <>
      <AnswerForm
        draftKey="things"
        fields={PLACES.map((place) => ({ name: place, kind: 'number' as const, third: true, ...WORDS[place] }))}
        initial={Object.fromEntries(PLACES.map((place) => [place, String(things[place])]))}
        submit="Keep"
        done="Kept. The plan goes by it."
        send={saveThings}
        keeps
      />
      <Text mt="4">
        The plan as a calendar:{' '}
        <TextLink href="/api/calendar.ics" external>
          file
        </TextLink>
        . A calendar program that follows it takes this address:
      </Text>
      <Text fontFamily="mono" overflowWrap="anywhere">
        {feed}
      </Text>
      <Text color="soft">
        Whoever has the address reads the plan and nothing else. Signing every device out makes another address.
      </Text>
    </>
  );
}
