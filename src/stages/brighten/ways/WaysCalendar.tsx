'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { showTime } from '@/core/runsheet/time';
import type { SkyDay, WayOnCalendar } from './waysCalendar';

interface Props {
  ways: readonly WayOnCalendar[];
  sky: readonly SkyDay[];
  timeZone: string;
  /** The way that is looked at. */
  chosen: string;
  onChoose: (school: WayOnCalendar['school']) => void;
}

/** So much ultraviolet brings a clear day of high summer, hours of UV index: a full column. */
const FULL_UVI_H = 50;
const percent = (share: number) => `${(100 * share).toFixed(2)}%`;

/** The ways as bars on one calendar, the sky of its days above them; a tap opens a way. */
export function WaysCalendar({ ways, sky, timeZone, chosen, onChoose }: Props) {
  return (
    <Box mb="4">
      <Grid templateColumns={{ base: '1fr', md: '210px minmax(0, 1fr)' }} columnGap="3">
        <Text color="soft" fontSize="15px" alignSelf="end" display={{ base: 'none', md: 'block' }}>
          Sun each day; darker is cloud
        </Text>
        <Flex height="58px" align="end" borderBottomWidth="1.5px" borderColor="lineStrong">
          {sky.map(({ at, uvHours, cloud }, i) => (
            <Box
              key={at}
              flex="1"
              height="100%"
              position="relative"
              title={`${showTime(at, timeZone, 'EEE d MMM')}: ${uvHours.toFixed(0)} UVI·h, ${Math.round(100 * cloud)} % cloud`}
            >
              <Box
                position="absolute"
                insetX="1px"
                top="0"
                height="12px"
                bg="soft"
                style={{ opacity: 0.1 + 0.6 * cloud }}
              />
              <Box
                position="absolute"
                insetX="1px"
                bottom="0"
                bg="sun"
                opacity={0.75}
                style={{ height: `${Math.min(44, (44 * uvHours) / FULL_UVI_H)}px` }}
              />
              {i % 2 === 0 && (
                <Text
                  position="absolute"
                  bottom="0"
                  left="2px"
                  fontSize="13px"
                  fontFamily="mono"
                  color="onAmber"
                  bg="amber"
                  px="1px"
                >
                  {showTime(at, timeZone, 'd')}
                </Text>
              )}
            </Box>
          ))}
        </Flex>
      </Grid>
      <Box role="group" aria-label="Ways">
        {ways.map(({ school, title, at, late, open }) => (
          <button
            key={school}
            type="button"
            className="way"
            aria-pressed={school === chosen}
            onClick={() => onChoose(school)}
          >
            <span>
              {title}
              {!open && <small>not as it stands</small>}
            </span>
            <Box as="span" position="relative" height="26px" bg="sheet" display="block" aria-hidden>
              {at.map(({ from, to }) => (
                <Box
                  as="span"
                  key={from}
                  position="absolute"
                  insetY="3px"
                  bg={open ? 'work' : 'lineStrong'}
                  style={{ left: percent(from), width: `max(5px, ${percent(to - from)})` }}
                />
              ))}
              {late && (
                <Box
                  as="span"
                  position="absolute"
                  top="11px"
                  height="4px"
                  bg={open ? 'work' : 'lineStrong'}
                  opacity={0.45}
                  style={{ left: percent(late.from), width: percent(late.to - late.from) }}
                />
              )}
            </Box>
          </button>
        ))}
      </Box>
      <Text color="soft" fontSize="15px" mt="1">
        Broad bars are sessions, or the lamp and the soak; the thin line is how much later a slow piece is done.
      </Text>
    </Box>
  );
}
