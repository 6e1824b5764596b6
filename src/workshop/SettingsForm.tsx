'use client';

import { Button, Flex } from '@chakra-ui/react';
import { LocateFixed } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { WEEKDAYS } from '@/core/runsheet/hours';
import { AnswerForm, type FieldDef, type Values } from '@/ui/AnswerForm';
import { warn } from '@/ui/toast';
import { saveSettings } from './actions';
import { PlaceGrid } from './PlaceGrid';

const FIELDS: readonly FieldDef[] = [
  { name: 'name', label: 'Name of the workshop' },
  { name: 'latitude', label: 'Latitude', kind: 'number', unit: '°', half: true, hint: 'North positive' },
  { name: 'longitude', label: 'Longitude', kind: 'number', unit: '°', half: true, hint: 'East positive' },
  { name: 'altitudeM', label: 'Altitude', kind: 'number', unit: 'm', half: true },
  { name: 'timeZone', label: 'Time zone', half: true, hint: 'Like Europe/Stockholm' },
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
  { name: 'hourlyRate', label: 'Own hourly rate', kind: 'number', half: true, hint: 'What an hour of your own work counts for; 0 if it does not' },
  { name: 'lampMwPerCm2', label: 'Lamp, UV-A at the piece', kind: 'number', unit: 'mW/cm²', half: true, hint: '0 without a lamp' },
  ...WEEKDAYS.map((day, i): FieldDef => ({
    name: day,
    label: `There on ${day}`,
    third: true,
    ...(i === 0 && { hint: 'To turn pieces and hear a bell, like 17:30 to 21:00; empty on a day off' }),
  })),
];

/** Name, place, zone, units and money of the workshop. */
export function SettingsForm({ initial, isNew }: { initial: Values; isNew: boolean }) {
  const router = useRouter();
  return (
    <AnswerForm
      fields={FIELDS}
      initial={initial}
      submit="Save workshop"
      send={saveSettings}
      done="Workshop saved."
      draftKey="workshop"
      keeps
      drawnWith={{}}
      onDone={() => router.refresh()}
    >
      {(form) => <PlaceTools form={form} isNew={isNew} />}
    </AnswerForm>
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
        warn('The browser did not give the place. Type latitude and longitude, or tap the grid.');
      },
      { timeout: 15_000 },
    );
  };
  return (
    <Flex direction="column" gap="3">
      <Button onClick={locate} loading={asking} loadingText="Asking the browser" alignSelf="start">
        <LocateFixed aria-hidden /> Use this device’s place
      </Button>
      <PlaceGrid latitude={number('latitude')} longitude={number('longitude')} onPick={place} />
    </Flex>
  );
}
