'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useFieldArray, useFormContext } from 'react-hook-form';
import type { SumField } from '@/core/sums/fields';
import { shownUnit, type UnitSystem } from '@/core/units';
import { FormField, type FieldDef } from '@/ui/FormField';
import { typedOf } from './typed';

interface Within {
  /** Name of what they stand in; empty at the top. */
  within: string;
  system: UnitSystem;
}

/** What is short enough to stand beside another. */
const IN_A_ROW: readonly SumField['kind'][] = ['number', 'choice', 'text'];

/** Letters of a label that fit beside another on a phone. */
const SHORT = 22;

/** The fields of a sum, made from its definition: numbers stand in twos, on a phone those with a short name. */
export function FieldsOf({ fields, within, system }: { fields: readonly SumField[] } & Within) {
  const inList = /\.\d+$/.test(within);
  const isShort = ({ kind, label }: SumField) => kind === 'number' && label.length <= SHORT && !inList;
  return (
    <Grid templateColumns="repeat(2, minmax(0, 1fr))" gap="4" alignItems="end">
      {fields.map((field) => (
        <Box
          key={field.name}
          gridColumn={{
            base: isShort(field) ? 'auto' : '1 / -1',
            md: IN_A_ROW.includes(field.kind) ? 'auto' : '1 / -1',
          }}
        >
          <OneField field={field} name={within === '' ? field.name : `${within}.${field.name}`} system={system} />
        </Box>
      ))}
    </Grid>
  );
}

/** What is wrong with several fields together. */
function Wrong({ name }: { name: string }) {
  const { getFieldState, formState } = useFormContext();
  const message = getFieldState(name, formState).error?.message;
  return message ? (
    <Text role="alert" color="hazard" fontWeight="650" fontSize="16px">
      {message}
    </Text>
  ) : null;
}

interface OneProps {
  field: SumField;
  name: string;
  system: UnitSystem;
}

/** A field that is one control. */
function asForm(
  field: Exclude<SumField, { kind: 'group' | 'list' | 'tuple' }>,
  name: string,
  system: UnitSystem,
): FieldDef {
  const { label, kind } = field;
  if (kind === 'lines' || kind === 'pairs' || kind === 'map') return { name, label, kind: 'long' };
  if (kind === 'choice')
    return { name, label, kind, options: field.options.map((option) => ({ value: option, label: option })) };
  if (kind === 'text') return { name, label };
  const { unit, limits } = field;
  // Limits are of the sum’s own unit.
  const isOwn = shownUnit(unit, system) === unit;
  return { name, label, kind, ...(unit && { unit }), ...(isOwn && limits && { hint: limits }) };
}

function OneField({ field, name, system }: OneProps) {
  if (field.kind === 'list') return <ListField field={field} name={name} system={system} />;
  if (field.kind === 'group')
    return (
      <fieldset>
        <legend style={{ fontWeight: 650 }}>{field.label}</legend>
        <FieldsOf fields={field.fields} within={name} system={system} />
        <Wrong name={name} />
      </fieldset>
    );
  if (field.kind === 'tuple')
    return (
      <fieldset>
        <legend style={{ fontWeight: 650 }}>{field.label}</legend>
        <Grid templateColumns={`repeat(${field.items.length}, 1fr)`} gap="2">
          {field.items.map((label, i) => (
            <FormField key={label} field={{ name: `${name}.${i}`, label, kind: 'number' }} units={system} />
          ))}
        </Grid>
        <Wrong name={name} />
      </fieldset>
    );
  return <FormField field={asForm(field, name, system)} units={system} />;
}

function ListField({ field, name, system }: { field: Extract<SumField, { kind: 'list' }> } & Omit<OneProps, 'field'>) {
  const { fields: rows, append, remove } = useFieldArray({ name });
  return (
    <fieldset>
      <legend style={{ fontWeight: 650 }}>{field.label}</legend>
      {rows.map(({ id }, i) => (
        <Flex key={id} gap="3" align="end" borderTopWidth="1px" borderColor="line" py="2">
          <Box flex="1">
            <FieldsOf fields={field.fields} within={`${name}.${i}`} system={system} />
          </Box>
          <Button onClick={() => remove(i)} aria-label={`Take off: row ${i + 1} of ${field.label}`}>
            Take off
          </Button>
        </Flex>
      ))}
      <Button onClick={() => append(typedOf(field.fields, {}))}>Add a row</Button>
      <Wrong name={name} />
    </fieldset>
  );
}
