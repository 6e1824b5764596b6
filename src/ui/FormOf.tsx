'use client';

import { Box, Button, Field, Flex, Grid, GridItem, Input, InputGroup, Text, Textarea } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { useController, useForm, type Control as FormControl, type UseFormReturn } from 'react-hook-form';
import type { FieldError } from '@/core/sums/fieldErrors';
import { fromTyped, limitShown, shownUnit, toTyped, withPoint, type UnitSystem } from '@/core/units';
import { useAwake } from './awake';
import { drawnOf } from './drawnOf';
import { useCloseFold } from './Fold';
import { FIELD_BOX } from './fieldBox';
import { keysOfForm } from './keysOfForm';
import { MainAction } from './MainAction';
import { notArrived } from './notArrived';
import { say } from './toast';
import { useUnits } from './units';
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

export type Values = Record<string, string>;
type Answer<T> = { ok: true; value: T } | { ok: false; errors: FieldError[] };

export interface FormProps<T> {
  fields: readonly FieldDef[];
  initial: Values;
  /** The verb of the one main button. */
  submit: string;
  send: (values: Values) => Promise<Answer<T>>;
  onDone?: (value: T) => void;
  /** What the toast says when it is saved. */
  done?: string;
  /** Keeps what is typed over a closed page. */
  draftKey: string;
  /** Between the fields and the button; sees what is typed. */
  children?: (form: UseFormReturn<Values>) => React.ReactNode;
  /** Names whose errors the children show themselves, beside what is wrong. */
  shownBelow?: readonly string[];
  bench?: boolean;
  /** Above the fields: what is drawn instead of typed; sees what is typed. */
  head?: (form: UseFormReturn<Values>) => React.ReactNode;
  /** The fields are folded away under these words, and open where one of them is wrong. */
  fold?: string;
  /** The form edits one thing and goes on showing it; otherwise it is empty again after it was sent. */
  keeps?: boolean;
  /** With it, the form sends what it was drawn with, these beside its fields: so that nothing is wiped by a stale page. */
  drawnWith?: Record<string, unknown>;
  /** What `send` sends beside the fields: something else there is another thing that is sent. */
  beside?: Record<string, unknown>;
}

const draftOf = (key: string): Values | null => {
  try {
    return JSON.parse(localStorage.getItem(key) ?? 'null') as Values | null;
  } catch {
    return null;
  }
};

/**
 * It sends to an action that answers with errors by field, puts each beside its field, keeps
 * what was typed on every error, and keeps a draft while the page is closed.
 */
export function FormOf<T>({
  fields,
  initial,
  submit,
  send,
  onDone,
  done,
  draftKey,
  children,
  shownBelow = [],
  bench = false,
  keeps = false,
  drawnWith,
  beside,
  head,
  fold,
}: FormProps<T>) {
  const key = `kvell-draft:${draftKey}`;
  const form = useForm<Values>({ defaultValues: initial });
  const [general, setGeneral] = useState<string[]>([]);
  const [failed, setFailed] = useState(0);
  const formRef = useRef<HTMLFormElement>(null);
  const alertRef = useRef<HTMLDivElement>(null);
  const foldRef = useRef<HTMLDetailsElement>(null);
  const awake = useAwake();
  const units = useUnits();
  const [keys] = useState(keysOfForm);
  const closeFold = useCloseFold();
  const early = useRef<Values>({});
  const [drawn] = useState(() => drawnOf(initial));
  const shown = useRef(JSON.stringify(initial));
  const { register, handleSubmit, formState, setError, reset, subscribe } = form;
  // Read here, so that the form keeps count of what was touched.
  const { dirtyFields } = formState;

  useEffect(() => {
    const secret = new Set(fields.filter(({ kind }) => kind === 'secret').map(({ name }) => name));
    // A time that was typed yesterday is no draft of today's.
    const times = new Set(fields.filter(({ kind }) => kind === 'time').map(({ name }) => name));
    const lasting = Object.fromEntries(Object.entries(draftOf(key) ?? {}).filter(([name]) => !times.has(name)));
    const typed = { ...lasting, ...early.current };
    early.current = {};
    const stop = subscribe({
      formState: { values: true },
      callback: ({ values }) => {
        // Only what was typed: what stood there may stand otherwise by the time that it is read again.
        const first = JSON.parse(shown.current) as Values;
        const touched = Object.entries(values).filter(([name, value]) => !secret.has(name) && value !== first[name]);
        if (touched.length === 0) localStorage.removeItem(key);
        else localStorage.setItem(key, JSON.stringify(Object.fromEntries(touched)));
      },
    });
    if (Object.keys(typed).length > 0) reset({ ...initial, ...typed }, { keepDefaultValues: true });
    return stop;
    // Only the draft's place decides when to read it again; fields and initial values are new objects at each render.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);

  // Drawn anew with other values, it shows them in the fields that nobody touched.
  const initially = JSON.stringify(initial);
  useEffect(() => {
    if (!keeps || initially === shown.current) return;
    shown.current = initially;
    const first = JSON.parse(initially) as Values;
    for (const [name, value] of Object.entries(first)) if (!dirtyFields[name]) drawn.saw({ [name]: value });
    reset(first, { keepDirtyValues: true });
  }, [keeps, initially, dirtyFields, reset, drawn]);

  // Whoever sent it is led to the first thing that is wrong, or to what is wrong with the whole.
  useEffect(() => {
    if (failed > 0 && foldRef.current?.querySelector('[aria-invalid="true"]')) foldRef.current.open = true;
    if (failed > 0) (formRef.current?.querySelector<HTMLElement>('[aria-invalid="true"]') ?? alertRef.current)?.focus();
  }, [failed]);

  // Typed before the page had woken up: taking the control over puts the first value over it.
  const keepEarly = (name: string, typed: string | undefined) => {
    if (!awake && typed !== (initial[name] ?? '')) early.current[name] = typed ?? '';
  };
  const registered = ({ name, kind }: FieldDef) => {
    const { ref, ...props } = register(name, kind === 'number' ? { setValueAs: withPoint } : {});
    return {
      ...props,
      ref: (control: { value?: string } | null) => {
        if (control) keepEarly(name, control.value);
        ref(control);
      },
    };
  };

  const onSubmit = handleSubmit(async (values) => {
    setGeneral([]);
    const given = drawnWith ? { ...values, drawn: { ...drawn.fields(), ...drawnWith } } : values;
    const answer = await send({ ...given, once: keys.of({ ...given, ...beside }) } as Values).catch(
      (failure: unknown) => notArrived(failure, 'Send it again: it is taken once.'),
    );
    if (typeof answer === 'string') {
      setFailed((times) => times + 1);
      return setGeneral([answer]);
    }
    if (answer.ok) {
      keys.answered();
      localStorage.removeItem(key);
      reset(keeps ? values : initial);
      if (keeps) drawn.saw(values);
      localStorage.removeItem(key);
      if (done) say(done);
      closeFold();
      onDone?.(answer.value);
      return;
    }
    const known = new Set(fields.map(({ name }) => name));
    for (const { field, message, limit, stands } of answer.errors) {
      // Seen now: sent again, what was typed stands.
      if (known.has(field) && stands !== undefined) drawn.saw({ [field]: stands });
      const { unit = '', fixedUnit = false } = fields.find(({ name }) => name === field) ?? {};
      const inUnits =
        limit === undefined || fixedUnit || unit === '' ? message : limitShown(message, limit, unit, units);
      if (known.has(field)) setError(field, { message: inUnits });
    }
    setGeneral(
      answer.errors
        .filter(({ field }) => !known.has(field) && !shownBelow.includes(field))
        .map(({ message }) => message),
    );
    setFailed((times) => times + 1);
  });

  const boxes = (
    <Grid templateColumns={{ base: '1fr', md: 'repeat(6, minmax(0, 1fr))' }} gap="4" mb="5">
      {fields.map((field) => {
        const message = formState.errors[field.name]?.message;
        const last = (
          <>
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
          </>
        );
        if (field.kind === 'chips')
          return (
            <GridItem key={field.name} colSpan={{ base: 1, md: field.half ? 3 : 6 }}>
              <Field.Root invalid={message !== undefined}>
                <Chips field={field} register={register} first={initial[field.name]} />
                {last}
              </Field.Root>
            </GridItem>
          );
        return (
          <GridItem key={field.name} colSpan={{ base: 1, md: field.third ? 2 : field.half ? 3 : 6 }}>
            <Field.Root invalid={message !== undefined}>
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
                  control={form.control}
                  units={units}
                  onEarly={(typed) => keepEarly(field.name, typed)}
                />
              ) : (
                <Control field={field} first={initial[field.name]} props={registered(field)} />
              )}
              {last}
            </Field.Root>
          </GridItem>
        );
      })}
    </Grid>
  );
  const button = (
    <Button
      type="submit"
      variant={'go' as never}
      size={(bench ? 'bench' : 'desk') as never}
      disabled={!awake}
      loading={formState.isSubmitting}
      loadingText={submit}
      flex={{ base: '1 1 100%', md: '0 0 auto' }}
    >
      {submit}
    </Button>
  );
  return (
    <form ref={formRef} onSubmit={onSubmit} noValidate>
      {general.length > 0 && (
        <Box
          ref={alertRef}
          tabIndex={-1}
          role="alert"
          bg="hazardSheet"
          borderLeftWidth="8px"
          borderColor="hazard"
          p="3"
          mb="4"
        >
          {general.map((message) => (
            <Text key={message}>{message}</Text>
          ))}
        </Box>
      )}
      {head?.(form)}
      {fold === undefined ? (
        boxes
      ) : (
        <details ref={foldRef}>
          <summary className="fold">{fold}</summary>
          {boxes}
        </details>
      )}
      {children?.(form)}
      {bench ? <MainAction>{button}</MainAction> : <Flex mt="4">{button}</Flex>}
    </form>
  );
}

interface ChipsProps {
  field: FieldDef;
  register: UseFormReturn<Values>['register'];
  first: string | undefined;
}

/** A choice of few: one tap each, the chosen one filled. */
function Chips({ field: { name, label, options: all = [] }, register, first }: ChipsProps) {
  return (
    <fieldset className="chips">
      <legend>{label}</legend>
      {all.map(({ value, label: words, picture }) => (
        <label key={value}>
          <input type="radio" value={value} defaultChecked={value === first} {...register(name)} />
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
  props: ReturnType<UseFormReturn<Values>['register']>;
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
  control: FormControl<Values>;
  units: UnitSystem;
  /** Takes what stood in it when the page woke up, in the unit that is sent. */
  onEarly: (value: string) => void;
}

/** A number typed in the workshop's units; the form holds it in the unit that is sent. */
function ConvertedNumber({ field: { name, unit = '' }, control, units, onEarly }: ConvertedProps) {
  const {
    field: { value = '', onChange, onBlur, ref },
  } = useController({ name, control });
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
