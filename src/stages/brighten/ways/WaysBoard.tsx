'use client';

import { Box, Text } from '@chakra-ui/react';
import { useState } from 'react';
import { WaysCalendar } from './WaysCalendar';
import type { SkyDay, WayOnCalendar } from './waysCalendar';

interface Props {
  onCalendar: readonly WayOnCalendar[];
  sky: readonly SkyDay[];
  timeZone: string;
  first: string;
  /** What is said of each way. */
  bodies: Readonly<Record<string, React.ReactNode>>;
}

/** The calendar of the ways, and below it what is known of the one that was tapped. */
export function WaysBoard({ onCalendar, sky, timeZone, first, bodies }: Props) {
  const [chosen, setChosen] = useState(first);
  const title = onCalendar.find(({ school }) => school === chosen)?.title ?? 'Leave it';
  return (
    <>
      <WaysCalendar ways={onCalendar} sky={sky} timeZone={timeZone} chosen={chosen} onChoose={setChosen} />
      <Box aria-live="polite" role="region" aria-label="The way that is looked at">
        <Text fontWeight="650" fontSize="18px">
          {title}
        </Text>
        {bodies[chosen]}
      </Box>
    </>
  );
}
