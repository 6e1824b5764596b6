'use client';

import { Field, Input, InputGroup, Text, Textarea } from '@chakra-ui/react';
import { useState } from 'react';
import { useController, useFormContext, type RegisterOptions, type UseFormRegisterReturn } from 'react-hook-form';
import { fromTyped, shownUnit, toTyped, withPoint, type UnitSystem } from '@/core/units';
import { FIELD_BOX } from './fieldBox';
import { Select } from './Select';

export interface FieldDef {
  name: string;
  label: string;
  /** `secret` is not shown and never kept as a draft; `chips` is a choice of few, all of them in sight. */
  kind?: 'text' | 'long' | 'number' | 'choice' | 'chips' | 'time' | 'secret';
  /** What is typed in it; shown and typed in the workshop's units, sent in this one. */
  unit?: string;
  /** Typed in its own unit whatever the workshop's are: screws are sold by the millimetre. */
  fixedUnit?: boolean;
  hint?: string;
  /** A chip may show what it means. */
  options?: readonly { value: string; label: string; picture?: React.ReactNode }[];
  /** Half of the width where there is room. */
  half?: boolean;
  /** A third of it: for the three ends of a guess. */
  third?: boolean;
  optional?: boolean;
}

interface Props {
  field: FieldDef;
  /** What stands in it before the page has woken up. */
  first?: string;
  units: UnitSystem;
  /** Takes what stood in it when the page woke up, in the unit that is sent. */
  onEarly?: (name: string, typed: string | undefined) => void;
}

const nothingEarly = () => {};

/** A field of the form around it: its label, its control, its hint, and what is wrong with it. */
export function FormField({ field, first, units, onEarly = nothingEarly }: Props) {
  const { register, getFieldState, formState } = useFormContext();
  const message = getFieldState(field.name, formState).error?.message;
  const registered = () => {
    const options: RegisterOptions = field.kind === 'number' ? { setValueAs: withPoint } : {};
    const { ref, ...props } = register(field.name, options);
    return {
      ...props,
      ref: (control: { value?: string } | null) => {
        if (control) onEarly(field.name, control.value);
        ref(control);
      },
    };
  };
  return (
    <Field.Root invalid={message !== undefined}>
      {field.kind === 'chips' ? (
        <Chips field={field} first={first} registered={register(field.name)} />
      ) : (
        <>
          <Field.Label fontSize="16px" fontWeight="650">
            {field.label}
            {field.optional && (
              <Text as="span" color="soft" fontWeight="400">
                {' '}
                (optional)
              </Text>
            )}
          </Field.Label>
          {isConverted(field, units) ? (
            <ConvertedNumber
              key={field.unit}
              field={field}
              units={units}
              onEarly={(typed) => onEarly(field.name, typed)}
            />
          ) : (
            <Control field={field} first={first} props={registered()} />
          )}
        </>
      )}
      {field.hint && (
        <Field.HelperText color="soft" fontSize="15px">
          {field.hint}
        </Field.HelperText>
      )}
      {message && (
        <Field.ErrorText role="alert" color="hazard" fontSize="16px" fontWeight="650">
          {message}
        </Field.ErrorText>
      )}
    </Field.Root>
  );
}

interface ChipsProps {
  field: FieldDef;
  registered: UseFormRegisterReturn;
  first: string | undefined;
}

/** A choice of few: one tap each, the chosen one filled. */
function Chips({ field: { label, options: all = [] }, registered, first }: ChipsProps) {
  return (
    <fieldset className="chips">
      <legend>{label}</legend>
      {all.map(({ value, label: words, picture }) => (
        <label key={value}>
          <input type="radio" value={value} defaultChecked={value === first} {...registered} />
          <span>
            {picture}
            {words}
          </span>
        </label>
      ))}
    </fieldset>
  );
}

interface ControlProps {
  field: FieldDef;
  /** What stands in it before the page has woken up. */
  first: string | undefined;
  props: UseFormRegisterReturn;
}

function Control({ field, first, props: registered }: ControlProps) {
  const props = { ...registered, defaultValue: first };
  if (field.kind === 'long') return <Textarea {...FIELD_BOX} {...props} rows={3} autoresize />;
  if (field.kind === 'choice') return <Select {...props} options={field.options ?? []} />;
  const input = (
    <Input
      {...FIELD_BOX}
      {...props}
      type={field.kind === 'time' ? 'datetime-local' : field.kind === 'secret' ? 'password' : 'text'}
      {...(field.kind === 'number' && { inputMode: 'decimal' as const, fontFamily: 'mono' })}
    />
  );
  return field.unit ? <InputGroup endElement={field.unit}>{input}</InputGroup> : input;
}

/** Whether a field is typed in another unit than it is kept in. */
const isConverted = ({ unit, fixedUnit }: FieldDef, units: UnitSystem) =>
  unit !== undefined && !fixedUnit && shownUnit(unit, units) !== unit;

interface ConvertedProps {
  field: FieldDef;
  units: UnitSystem;
  /** Takes what stood in it when the page woke up, in the unit that is sent. */
  onEarly: (value: string) => void;
}

/** A number typed in the workshop's units; the form holds it in the unit that is sent. */
function ConvertedNumber({ field: { name, unit = '' }, units, onEarly }: ConvertedProps) {
  const { field } = useController({ name });
  const { onChange, onBlur, ref } = field;
  const value = String(field.value ?? '');
  // What was typed stays as typed while the form holds its counterpart; whatever else the form comes to hold is converted.
  const [typed, setTyped] = useState<{ text: string; value: string } | null>(null);
  const text = typed?.value === value ? typed.text : toTyped(value, unit, units);
  return (
    <InputGroup endElement={shownUnit(unit, units)}>
      <Input
        {...FIELD_BOX}
        name={name}
        inputMode="decimal"
        fontFamily="mono"
        value={text}
        onBlur={onBlur}
        onChange={(event) => {
          const next = { text: event.target.value, value: fromTyped(event.target.value, unit, units) };
          setTyped(next);
          onChange(next.value);
        }}
        ref={(input) => {
          if (input && input.value !== text) onEarly(fromTyped(input.value, unit, units));
          ref(input);
        }}
      />
    </InputGroup>
  );
}
