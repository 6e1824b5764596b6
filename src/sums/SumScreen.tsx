'use client';

import { Box, Button, Flex, Grid, Input, Text, Textarea } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { FieldError } from '@/core/sums/fieldErrors';
import type { SumField } from '@/core/sums/fields';
import type { Figure as FigureOf } from '@/core/sums/sum';
import { fromTyped, shownUnit, toShown, toTyped, withPoint, type UnitSystem } from '@/core/units';
import { Estimate, Figure } from '@/ui/figures';
import { Part } from '@/ui/layout';
import { FIELD_BOX } from '@/ui/fieldBox';
import { Select } from '@/ui/Select';

interface Props {
  name: string;
  fields: readonly SumField[];
  example: Record<string, unknown>;
  source: string;
  estimate: string | null;
  system: UnitSystem;
}

interface Explained {
  output: unknown;
  figures: FigureOf[];
  working: string[];
}

type Value = string | Value[] | { [name: string]: Value };

/** What is typed stays text until it is sent, so that half a number is not lost. */
function asTyped(value: unknown): Value {
  if (Array.isArray(value)) return value.map(asTyped);
  if (value !== null && typeof value === 'object')
    return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, asTyped(inner)]));
  return value === null || value === undefined ? '' : String(value);
}

/** Typed text as the sum's input: numbers where they are numbers, nothing where nothing is typed. */
function asSent(value: Value): unknown {
  if (Array.isArray(value)) return value.map(asSent);
  if (typeof value === 'object')
    return Object.fromEntries(
      Object.entries(value).flatMap(([key, inner]) => (inner === '' ? [] : [[key, asSent(inner)]])),
    );
  const number = Number(withPoint(value));
  return value.trim() !== '' && !Number.isNaN(number) ? number : value;
}

const PAUSE_MS = 180;

/** A sum's page: its inputs, its figures as one types, the working and the source. All of it from the catalogue. */
export function SumScreen({ name, fields, example, source, estimate, system: usual }: Props) {
  const [value, setValue] = useState<Value>(() => asTyped(example));
  const [system, setSystem] = useState(usual);
  const [shown, setShown] = useState<Explained | null>(null);
  const [errors, setErrors] = useState<FieldError[]>([]);
  const sent = JSON.stringify(asSent(value));
  useEffect(() => {
    const controller = new AbortController();
    const timer = setTimeout(() => {
      fetch(`/api/sums/${name}?explain=1`, {
        method: 'POST',
        body: sent,
        headers: { 'Content-Type': 'application/json' },
        signal: controller.signal,
      })
        .then(async (response) => {
          const answered: unknown = await response.json();
          if (response.ok) {
            setShown(answered as Explained);
            setErrors([]);
          } else setErrors((answered as { errors: FieldError[] }).errors);
        })
        .catch((failure: unknown) => {
          if (!controller.signal.aborted)
            setErrors([
              { field: '', message: `Kvell did not answer (${(failure as Error).message}). Check that it still runs.` },
            ]);
        });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      controller.abort();
    };
  }, [sent, name]);
  const errorAt = (path: string) => errors.find(({ field }) => field === path)?.message;
  const general = errors.filter(({ field }) => field === '' || field.includes('.') || field.includes('['));
  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(320px, 1fr) minmax(0, 1.3fr)' }} gap="8">
      <Box>
        <Flex justify="end" mb="3">
          <Button onClick={() => setSystem(system === 'us' ? 'metric' : 'us')}>
            {system === 'us' ? 'Show metric units' : 'Show US units'}
          </Button>
        </Flex>
        <FieldsOf
          key={system}
          fields={fields}
          value={value as Record<string, Value>}
          onChange={setValue}
          path=""
          errorAt={errorAt}
          system={system}
        />
      </Box>
      <Box aria-live="polite">
        {general.map(({ field, message }) => (
          <Text key={field + message} role="alert" borderLeftWidth="8px" borderColor="hazard" pl="3" mb="3">
            {message}
          </Text>
        ))}
        {shown && (
          <Box opacity={errors.length > 0 ? 0.4 : 1}>
            <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="5" mb="6">
              {shown.figures.map(({ label, value: v, unit = '', digits = 2, range }) => {
                if (typeof v === 'string') return <Figure key={label} value={v} label={label} />;
                const of = (n: number) => toShown(n, unit, system);
                if (range)
                  return (
                    <Estimate
                      key={label}
                      median={of(v)}
                      low={of(range[0])}
                      high={of(range[1])}
                      unit={shownUnit(unit, system)}
                      label={label}
                      from={estimate ?? ''}
                      digits={digits}
                    />
                  );
                return (
                  <Figure key={label} value={of(v).toFixed(digits)} unit={shownUnit(unit, system)} label={label} />
                );
              })}
            </Grid>
            <Part title="Working">
              {shown.working.map((line) => (
                <Text key={line} fontFamily="mono" fontSize="16px" mb="1">
                  {line}
                </Text>
              ))}
            </Part>
            <Part title="Source">
              <Text>{source}</Text>
              {estimate && <Text mt="2">Estimate. {estimate}</Text>}
              <Text mt="2" color="soft">
                The same by command:{' '}
                <code style={{ overflowWrap: 'anywhere' }}>{`npm run -s sum -- ${name} '${sent}'`}</code>
              </Text>
            </Part>
          </Box>
        )}
      </Box>
    </Grid>
  );
}

interface FieldsProps {
  fields: readonly SumField[];
  value: Record<string, Value>;
  onChange: (value: Record<string, Value>) => void;
  path: string;
  errorAt: (path: string) => string | undefined;
  system: UnitSystem;
}

function FieldsOf({ fields, value, onChange, path, errorAt, system }: FieldsProps) {
  return (
    <Flex direction="column" gap="4">
      {fields.map((field) => {
        const at = path === '' ? field.name : `${path}.${field.name}`;
        return (
          <OneField
            key={field.name}
            field={field}
            value={value[field.name] ?? ''}
            onChange={(next) => onChange({ ...value, [field.name]: next })}
            path={at}
            errorAt={errorAt}
            system={system}
          />
        );
      })}
    </Flex>
  );
}

function OneField({
  field,
  value,
  onChange,
  path,
  errorAt,
  system,
}: { field: SumField; value: Value; onChange: (value: Value) => void } & Pick<
  FieldsProps,
  'path' | 'errorAt' | 'system'
>) {
  const error = errorAt(path);
  const problem = error && (
    <Text role="alert" color="hazard" fontWeight="650" fontSize="16px">
      {error}
    </Text>
  );
  if (field.kind === 'group')
    return (
      <fieldset>
        <legend style={{ fontWeight: 650 }}>{field.label}</legend>
        <FieldsOf
          fields={field.fields}
          value={(value || {}) as Record<string, Value>}
          onChange={onChange}
          path={path}
          errorAt={errorAt}
          system={system}
        />
      </fieldset>
    );
  if (field.kind === 'list') {
    const rows = Array.isArray(value) ? value : [];
    return (
      <fieldset>
        <legend style={{ fontWeight: 650 }}>{field.label}</legend>
        {rows.map((row, i) => (
          <Flex key={i} gap="3" align="end" borderTopWidth="1px" borderColor="line" py="2">
            <Box flex="1">
              <FieldsOf
                fields={field.fields}
                value={row as Record<string, Value>}
                onChange={(next) => onChange(rows.map((r, k) => (k === i ? next : r)))}
                path={`${path}[${i}]`}
                errorAt={errorAt}
                system={system}
              />
            </Box>
            <Button
              onClick={() => onChange(rows.filter((_, k) => k !== i))}
              aria-label={`Take off: row ${i + 1} of ${field.label}`}
            >
              Take off
            </Button>
          </Flex>
        ))}
        <Button onClick={() => onChange([...rows, {}])}>Add a row</Button>
        {problem}
      </fieldset>
    );
  }
  if (field.kind === 'tuple') {
    const parts = Array.isArray(value) ? value : [];
    return (
      <fieldset>
        <legend style={{ fontWeight: 650 }}>{field.label}</legend>
        <Grid templateColumns={`repeat(${field.items.length}, 1fr)`} gap="2">
          {field.items.map((label, i) => (
            <label key={label}>
              {label}
              <Input
                {...FIELD_BOX}
                fontFamily="mono"
                inputMode="decimal"
                value={String(parts[i] ?? '')}
                onChange={(event) =>
                  onChange(field.items.map((_, k) => (k === i ? event.target.value : (parts[k] ?? ''))))
                }
              />
              {errorAt(`${path}[${i}]`) && (
                <Text role="alert" color="hazard">
                  {errorAt(`${path}[${i}]`)}
                </Text>
              )}
            </label>
          ))}
        </Grid>
        {problem}
      </fieldset>
    );
  }
  if (field.kind === 'lines')
    return (
      <label>
        <b>{field.label}</b>
        <Textarea
          {...FIELD_BOX}
          rows={6}
          value={Array.isArray(value) ? value.join('\n') : ''}
          onChange={(event) => onChange(event.target.value.split('\n'))}
        />
        {problem}
      </label>
    );
  if (field.kind === 'choice')
    return (
      <label>
        <b>{field.label}</b>
        <Select
          value={String(value)}
          onChange={(event) => onChange(event.target.value)}
          options={field.options.map((option) => ({ value: option, label: option }))}
        />
        {problem}
      </label>
    );
  if (field.kind === 'text')
    return (
      <label>
        <b>{field.label}</b>
        <Input {...FIELD_BOX} value={String(value)} onChange={(event) => onChange(event.target.value)} />
        {problem}
      </label>
    );
  return <NumberField field={field} value={String(value)} onChange={onChange} problem={problem} system={system} />;
}

/** A number in the unit shown; what is kept is in the sum's own unit. */
function NumberField({
  field,
  value,
  onChange,
  problem,
  system,
}: {
  field: Extract<SumField, { kind: 'number' }>;
  value: string;
  onChange: (value: Value) => void;
  problem: React.ReactNode;
  system: UnitSystem;
}) {
  const unit = shownUnit(field.unit, system);
  const converted = unit !== field.unit;
  const [typed, setTyped] = useState(() => (converted ? toTyped(value, field.unit, system) : value));
  return (
    <label>
      <b>{field.label}</b>
      {unit && <span>, {unit}</span>}
      <Input
        {...FIELD_BOX}
        fontFamily="mono"
        inputMode="decimal"
        value={typed}
        onChange={(event) => {
          const text = event.target.value;
          setTyped(text);
          onChange(converted ? fromTyped(text, field.unit, system) : text);
        }}
      />
      {field.limits && !converted && (
        <Text as="span" color="soft" fontSize="15px">
          {field.limits}
        </Text>
      )}
      {problem}
    </label>
  );
}
