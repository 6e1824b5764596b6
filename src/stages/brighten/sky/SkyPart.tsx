'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { addDays } from 'date-fns';
import { useEffect, useMemo, useState } from 'react';
import { cloudAt, type CloudHour } from '@/core/session/sessions';
import { dayAround, showTime } from '@/core/runsheet/time';
import { sunDay, type Place } from '@/core/sun/day';
import { deviceTime } from '@/ui/clock';
import { DaySun } from '@/ui/DaySun';
import { FileButton } from '@/ui/FileButton';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { forgetSky, readSkyFile, noteSky } from '../actions';

interface Props {
  place: Place;
  timeZone: string;
}

const LOOKS = [
  { words: 'clear', cloudPercent: 0 },
  { words: 'a few clouds', cloudPercent: 25 },
  { words: 'half and half', cloudPercent: 50 },
  { words: 'mostly cloud', cloudPercent: 80 },
  { words: 'grey all over', cloudPercent: 100 },
];
const DAYS = 7;
const KEPT_H = 3;

interface Hours {
  day: number;
  hours: (CloudHour & { own: boolean })[];
  wrong: string | null;
}

/** The sky of the coming days, hour by hour; one's own look at it, or a file of hours, goes before the forecast. */
export function SkyPart({ place, timeZone }: Props) {
  const { wrong, busy, send } = useSend();
  const [day, setDay] = useState(0);
  const [asked, setAsked] = useState(0);
  const [found, setFound] = useState<Hours | null>(null);
  const [today] = useState(() => deviceTime());
  const { start, hours } = useMemo(() => dayAround(addDays(today, day), timeZone), [today, day, timeZone]);
  useEffect(() => {
    const stop = new AbortController();
    void fetch(`/api/weather?${new URLSearchParams({ from: start.toISOString(), hours: String(hours) }).toString()}`, {
      signal: stop.signal,
    })
      .then(async (response) => {
        const body = (await response.json()) as {
          hours?: { at: string; cloud: number; own: boolean }[];
          errors?: { message: string }[];
        };
        setFound({
          day,
          hours: (body.hours ?? []).map((hour) => ({ ...hour, at: new Date(hour.at) })),
          wrong: body.errors?.map(({ message }) => message).join(' ') ?? null,
        });
      })
      .catch(() => {
        if (!stop.signal.aborted)
          setFound({ day, hours: [], wrong: 'The sky did not come: is Kvell still running? Choose the day again.' });
      });
    return () => stop.abort();
  }, [start, hours, day, asked]);
  const sun = useMemo(
    () => sunDay(place, start, hours, (at) => cloudAt(found?.hours ?? [], at)),
    [place, start, hours, found],
  );
  const own = found?.hours.filter((hour) => hour.own).length ?? 0;
  const all = found?.hours.length ?? 0;
  const mean =
    found && found.hours.length > 0
      ? found.hours.reduce((sum, { cloud }) => sum + cloud, 0) / found.hours.length
      : null;
  const changed = (words: string) => {
    say(words);
    setAsked((n) => n + 1);
  };
  async function takeIn(file: File) {
    const text = await file.text();
    send(
      () => readSkyFile({ name: file.name, text }),
      ({ words }) => changed(words),
    );
  }
  return (
    <Box>
      <Flex gap="2" wrap="wrap" role="group" aria-label="Day" mb="3">
        {Array.from({ length: DAYS }, (_, i) => (
          <Button key={i} aria-pressed={day === i} look={day === i ? 'go' : 'quiet'} onClick={() => setDay(i)}>
            {i === 0 ? 'Today' : showTime(addDays(today, i).toISOString(), timeZone, 'EEE d')}
          </Button>
        ))}
      </Flex>
      <Wrong words={found?.wrong ? [found.wrong] : []} />
      {/* Two lines at a desk, five on a phone, before the hours have come too. */}
      <Text aria-live="polite" minHeight={{ base: '7.5em', md: '3em' }}>
        UV index up to {sun.highestUvIndex.toFixed(1)}, the sun {sun.highestElevationDeg.toFixed(0)}° high
        {mean !== null && `, ${Math.round(100 * mean)} % of the sky covered on the whole`}.{' '}
        {own === 0 && 'All of it is invented: Kvell has no forecast. Say how it looks, or give a file of hours.'}
        {own > 0 &&
          `${own} of its ${all} hours are from your looks or files${own < all ? '; the others are invented' : ''}.`}
      </Text>
      <DaySun samples={sun.samples} timeZone={timeZone} height={180} />
      <Text mt="4" fontWeight="650">
        How is the sky now? It counts for {KEPT_H} hours.
      </Text>
      <Flex gap="2" wrap="wrap" my="2">
        {LOOKS.map(({ words, cloudPercent }) => (
          <Button
            key={words}
            disabled={busy}
            onClick={() =>
              send(
                (once) => noteSky(once({ cloudPercent, forHours: KEPT_H })),
                () => changed('The sky is noted. All plans count with it.'),
              )
            }
          >
            {words}
          </Button>
        ))}
      </Flex>
      <Flex gap="2" wrap="wrap" align="center">
        <FileButton label="CSV of hours" accept=".csv,text/csv" busy={busy} onFile={(file) => void takeIn(file)}>
          Take hours from a CSV
        </FileButton>
        {own > 0 && (
          <Button
            disabled={busy}
            onClick={() =>
              send(
                () => forgetSky(),
                () => changed('Forgotten. The sky is invented again.'),
              )
            }
          >
            Forget own hours
          </Button>
        )}
      </Flex>
      <Wrong words={wrong} />
      <Text color="soft" fontSize="15px" mt="2">
        A CSV names its columns in the first line: time, like 2026-06-21 14:00 in the workshop’s clock or with an
        offset, and cloud %, cloud okta or cloud share; for coats also temperature, humidity, wind and rain.
      </Text>
    </Box>
  );
}
