'use client';

import { useId, useState } from 'react';
import { useController, useFormContext, type RegisterOptions, type UseFormRegisterReturn } from 'react-hook-form';
import { fromTyped, shownUnit, toTyped, withPoint, type UnitSystem } from '@/core/units';
import { Select } from './Select';
import { InUnit, LongBox, TextBox } from './Typed';

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
  const id = useId();
  const told = [field.hint && `${id}hint`, message && `${id}wrong`].filter(Boolean).join(' ');
  const wiring: Wiring = {
    id,
    ...(message !== undefined && { 'aria-invalid': true }),
    ...(told && { 'aria-describedby': told }),
  };
  return (
    <div className="field">
      {field.kind === 'chips' ? (
        <Chips field={field} first={first} registered={register(field.name)} wiring={wiring} />
      ) : (
        <>
          <label htmlFor={id}>
            {field.label}
            {field.optional && <span> (optional)</span>}
          </label>
          {isConverted(field, units) ? (
            <ConvertedNumber
              key={field.unit}
              field={field}
              units={units}
              wiring={wiring}
              onEarly={(typed) => onEarly(field.name, typed)}
            />
          ) : (
            <Control field={field} first={first} props={{ ...registered(), ...wiring }} />
          )}
        </>
      )}
      {field.hint && (
        <span className="hint" id={`${id}hint`}>
          {field.hint}
        </span>
      )}
      {message && (
        <span className="wrong" role="alert" id={`${id}wrong`}>
          {message}
        </span>
      )}
    </div>
  );
}

/** What ties a control to its label, its hint and what is wrong with it. */
interface Wiring {
  id: string;
  'aria-invalid'?: true;
  'aria-describedby'?: string;
}

interface ChipsProps {
  field: FieldDef;
  registered: UseFormRegisterReturn;
  first: string | undefined;
  wiring: Wiring;
}

/** A choice of few: one tap each, the chosen one filled. */
function Chips({ field: { label, options: all = [] }, registered, first, wiring }: ChipsProps) {
  const { 'aria-invalid': invalid, ...told } = wiring;
  return (
    <fieldset className="chips" {...told} data-invalid={invalid} tabIndex={-1}>
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
  props: UseFormRegisterReturn & Wiring;
}

function Control({ field, first, props: registered }: ControlProps) {
  const props = { ...registered, defaultValue: first };
  if (field.kind === 'long') return <LongBox {...props} />;
  if (field.kind === 'choice') return <Select {...props} options={field.options ?? []} />;
  const input = (
    <TextBox
      {...props}
      type={field.kind === 'time' ? 'datetime-local' : field.kind === 'secret' ? 'password' : 'text'}
      {...(field.kind === 'number' && { inputMode: 'decimal' as const, figures: true })}
    />
  );
  return field.unit ? <InUnit unit={field.unit}>{input}</InUnit> : input;
}

/** Whether a field is typed in another unit than it is kept in. */
const isConverted = ({ unit, fixedUnit }: FieldDef, units: UnitSystem) =>
  unit !== undefined && !fixedUnit && shownUnit(unit, units) !== unit;

interface ConvertedProps {
  field: FieldDef;
  units: UnitSystem;
  wiring: Wiring;
  /** Takes what stood in it when the page woke up, in the unit that is sent. */
  onEarly: (value: string) => void;
}

/** A number typed in the workshop's units; the form holds it in the unit that is sent. */
function ConvertedNumber({ field: { name, unit = '' }, units, wiring, onEarly }: ConvertedProps) {
  const { field } = useController({ name });
  const { onChange, onBlur, ref } = field;
  const value = String(field.value ?? '');
  // What was typed stays as typed while the form holds its counterpart; whatever else the form comes to hold is converted.
  const [typed, setTyped] = useState<{ text: string; value: string } | null>(null);
  const text = typed?.value === value ? typed.text : toTyped(value, unit, units);
  return (
    <InUnit unit={shownUnit(unit, units)}>
      <TextBox
        {...wiring}
        name={name}
        inputMode="decimal"
        figures
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
    </InUnit>
  );
}
