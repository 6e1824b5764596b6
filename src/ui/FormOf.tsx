'use client';

import { Box, Flex, Grid, GridItem, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useEffect, useRef, useState } from 'react';
import { FormProvider, useForm, type UseFormReturn } from 'react-hook-form';
import type { FieldError } from '@/core/sums/fieldErrors';
import { limitShown } from '@/core/units';
import { useAwake } from './awake';
import { drawnOf } from './drawnOf';
import { useCloseFold } from './Fold';
import { FormField, type FieldDef } from './FormField';
import { keysOfForm } from './keysOfForm';
import { MainAction } from './MainAction';
import { notArrived } from './notArrived';
import { KEPT_WORDS, keeperHere } from './outbox/keeper';
import { say } from './toast';
import { useUnits } from './units';

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
  /** What stands above is still under way: nothing below it that its coming would move from under a hand. */
  waits?: boolean;
  /** The form edits one thing and goes on showing it; otherwise it is empty again after it was sent. */
  keeps?: boolean;
  /** With it, the form sends what it was drawn with, these beside its fields: so that nothing is wiped by a stale page. */
  drawnWith?: Record<string, unknown>;
  /** What `send` sends beside the fields: something else there is another thing that is sent. */
  beside?: Record<string, unknown>;
}

const KEPT = Symbol('kept on this device');

/** Controls with something wrong; a row of chips is no control of its own. */
const INVALID = '[aria-invalid="true"], [data-invalid]';

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
  waits = false,
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
  const { handleSubmit, formState, setError, reset, subscribe } = form;
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
    if (failed > 0 && foldRef.current?.querySelector(INVALID)) foldRef.current.open = true;
    if (failed > 0) (formRef.current?.querySelector<HTMLElement>(INVALID) ?? alertRef.current)?.focus();
  }, [failed]);

  // Typed before the page had woken up: taking the control over puts the first value over it.
  const keepEarly = (name: string, typed: string | undefined) => {
    if (!awake && typed !== (initial[name] ?? '')) early.current[name] = typed ?? '';
  };
  // It is out of hand: nothing of it is a draft any more.
  const settle = (values: Values) => {
    reset(keeps ? values : initial);
    if (keeps) drawn.saw(values);
    localStorage.removeItem(key);
    closeFold();
  };
  const onSubmit = handleSubmit(async (values) => {
    setGeneral([]);
    const given = drawnWith ? { ...values, drawn: { ...drawn.fields(), ...drawnWith } } : values;
    const once = keys.of({ ...given, ...beside });
    const answer = await send({ ...given, once } as Values).catch(async (failure: unknown) => {
      // What nobody else may read is kept nowhere.
      const secret = fields.some(({ kind }) => kind === 'secret');
      const kept = !secret && (await (await keeperHere())?.keepUnder(once, { button: submit, draft: { key, values } }));
      return kept ? KEPT : notArrived(failure, 'Send it again: it is taken once.');
    });
    if (answer === KEPT) {
      if (!keeps) keys.answered();
      settle(values);
      return say(KEPT_WORDS);
    }
    if (typeof answer === 'string') {
      setFailed((times) => times + 1);
      return setGeneral([answer]);
    }
    if (answer.ok) {
      keys.answered();
      settle(values);
      if (done) say(done);
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
      {fields.map((field) => (
        <GridItem key={field.name} colSpan={{ base: 1, md: field.third ? 2 : field.half ? 3 : 6 }}>
          <FormField field={field} first={initial[field.name]} units={units} onEarly={keepEarly} />
        </GridItem>
      ))}
    </Grid>
  );
  const button = (
    <Button
      type="submit"
      look="go"
      bench={bench}
      disabled={!awake}
      loading={formState.isSubmitting}
      loadingText={submit}
      flex={{ base: '1 1 100%', md: '0 0 auto' }}
    >
      {submit}
    </Button>
  );
  return (
    <FormProvider {...form}>
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
          <details ref={foldRef} hidden={waits}>
            <summary className="fold">{fold}</summary>
            {boxes}
          </details>
        )}
        {children?.(form)}
        {bench ? <MainAction>{button}</MainAction> : <Flex mt="4">{button}</Flex>}
      </form>
    </FormProvider>
  );
}
