'use client';

import { Flex, Text } from '@chakra-ui/react';
import { AnswerForm, type FieldDef } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { LabelledBox } from '@/ui/LabelledBox';
import { Select } from '@/ui/Select';
import { keepPrinter } from './actions';

/** Which printer, and how much play: both stand in the address. */
export function FitForm({
  action,
  partId,
  printers,
  printerId,
  play,
}: {
  action: string;
  partId: string;
  printers: readonly { value: string; label: string }[];
  printerId: string;
  play: string;
}) {
  return (
    <form action={action}>
      <input type="hidden" name="part" value={partId} />
      <Flex gap="3" wrap="wrap" align="end" mt="4">
        <label>
          <Text fontSize="15px">Printed with</Text>
          <Select
            name="printer"
            defaultValue={printerId}
            options={[...printers, { value: '', label: 'a printer that was not tested' }]}
          />
        </label>
        <LabelledBox label="Play in its place, mm across" name="play" inputMode="decimal" figures defaultValue={play} />
        <Button type="submit">Work it out</Button>
      </Flex>
    </form>
  );
}

const mm = (name: string, label: string): FieldDef => ({
  ...{ name, label, kind: 'number', unit: 'mm', fixedUnit: true, third: true },
});

/** A printer by its test bar. */
export function PrinterForm({ currency }: { currency: string }) {
  return (
    <AnswerForm
      draftKey="printer"
      fields={[
        { name: 'name', label: 'Printer and filament', half: true },
        {
          ...{ name: 'kg', label: 'A kilogram costs', kind: 'number', unit: currency, fixedUnit: true },
          ...{ half: true, optional: true },
        },
        mm('barMm', 'Its bar of 100 mm measures'),
        mm('pinMm', 'Its pin of 10 mm measures'),
        mm('holeMm', 'Its hole of 10 mm measures'),
      ]}
      initial={{ name: '', kg: '', barMm: '', pinMm: '', holeMm: '' }}
      submit="Keep this printer"
      done="Kept: parts are sent as it needs them."
      send={keepPrinter}
    />
  );
}
