'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { LocateFixed } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useEffect, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { AnswerForm, type FieldDef, type Values } from '@/ui/AnswerForm';
import { warn } from '@/ui/toast';
import { savePlace } from './actions';

// The coastline comes after the page.
const PlaceMap = dynamic(() => import('./PlaceMap').then((part) => part.PlaceMap), { ssr: false });

const FIELDS: readonly FieldDef[] = [
  { name: 'latitude', label: 'Latitude', kind: 'number', unit: '°', third: true, hint: 'North positive' },
  { name: 'longitude', label: 'Longitude', kind: 'number', unit: '°', third: true, hint: 'East positive' },
  { name: 'altitudeM', label: 'Altitude', kind: 'number', unit: 'm', third: true },
  {
    name: 'ozoneDU',
    label: 'Ozone column',
    kind: 'number',
    unit: 'DU',
    half: true,
    optional: true,
    hint: 'Empty: by latitude and season',
  },
  { name: 'timeZone', label: 'Time zone', half: true, hint: 'Like Europe/Stockholm' },
  { name: 'name', label: 'Name of the workshop', half: true },
  {
    name: 'units',
    label: 'Units',
    kind: 'choice',
    half: true,
    options: [
      { value: 'metric', label: 'Metric' },
      { value: 'us', label: 'US' },
    ],
  },
  { name: 'currency', label: 'Currency', half: true, hint: 'Three letters, like SEK' },
];

/** Place, zone, units and money of the workshop: by the device, by a tap on the map, or in degrees. */
export function PlaceForm({ initial, isNew }: { initial: Values; isNew: boolean }) {
  return (
    <AnswerForm
      fields={FIELDS}
      initial={initial}
      submit="Save workshop"
      send={savePlace}
      done="Workshop saved."
      draftKey="workshop"
      keeps
      drawnWith={{}}
      bench
      head={(form) => <PlaceTools form={form} isNew={isNew} />}
    />
  );
}

function PlaceTools({ form, isNew }: { form: UseFormReturn<Values>; isNew: boolean }) {
  const [asking, setAsking] = useState(false);
  const { setValue, watch } = form;
  const number = (name: string) => {
    const text = watch(name);
    return text === '' || Number.isNaN(Number(text)) ? null : Number(text);
  };
  const place = (latitude: number, longitude: number) => {
    setValue('latitude', String(latitude), { shouldDirty: true });
    setValue('longitude', String(longitude), { shouldDirty: true });
  };
  useEffect(() => {
    if (isNew) setValue('timeZone', Intl.DateTimeFormat().resolvedOptions().timeZone);
  }, [isNew, setValue]);
  const locate = () => {
    setAsking(true);
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setAsking(false);
        place(Math.round(coords.latitude * 1000) / 1000, Math.round(coords.longitude * 1000) / 1000);
      },
      () => {
        setAsking(false);
        warn('The browser did not give the place. Type latitude and longitude, or tap the map.');
      },
      { timeout: 15_000 },
    );
  };
  return (
    <Flex direction="column" gap="3">
      <Button onClick={locate} loading={asking} loadingText="Asking the browser" alignSelf="start">
        <LocateFixed aria-hidden /> Use this device’s place
      </Button>
      <Text>Or tap the place on the map.</Text>
      {/* Its room is there before it is: what comes late moves no button from under a finger. */}
      <Box maxWidth="620px" aspectRatio="2" mb="3">
        <PlaceMap latitude={number('latitude')} longitude={number('longitude')} onPick={place} />
      </Box>
    </Flex>
  );
}
