import type Joi from 'joi';
import type { AnySum } from './sum';

interface Base {
  /** Name inside its parent. */
  name: string;
  label: string;
}

/** A sum's input as a form sees it, made from its Joi schema. */
export type SumField =
  | (Base & { kind: 'number'; unit: string; limits: string })
  | (Base & { kind: 'text' })
  | (Base & { kind: 'choice'; options: string[] })
  | (Base & { kind: 'tuple'; items: string[] })
  | (Base & { kind: 'group'; fields: SumField[] })
  | (Base & { kind: 'list'; fields: SumField[] })
  | (Base & { kind: 'lines' })
  /** Pairs of numbers, `from, to` a line. */
  | (Base & { kind: 'pairs' })
  /** Names with a value each, `name: value` a line. */
  | (Base & { kind: 'map'; numbers: boolean });

interface Described extends Joi.Description {
  allow?: unknown[];
  keys?: Record<string, Described>;
  patterns?: { rule?: { type?: string } }[];
  items?: Described[];
  ordered?: Described[];
  rules?: { name: string; args?: { limit?: number } }[];
}

const labelOf = (name: string, described: Described) =>
  (described.flags as { label?: string } | undefined)?.label ?? name;

function limitsOf({ rules = [], flags }: Described): string {
  const limit = (rule: string) => rules.find(({ name }) => name === rule)?.args?.limit;
  const [low, high] = [limit('min'), limit('max')];
  const above = rules.some(
    ({ name, args }) => name === 'sign' && (args as { sign?: string } | undefined)?.sign === 'positive',
  )
    ? 'above 0'
    : low === undefined
      ? ''
      : `from ${String(low).replace('-', '−')}`;
  const usual = (flags as { default?: unknown } | undefined)?.default;
  return [
    above,
    high === undefined ? '' : `to ${high}`,
    usual === undefined || typeof usual === 'object' ? '' : `(usually ${String(usual)})`,
  ]
    .filter(Boolean)
    .join(' ');
}

function fieldOf(name: string, described: Described): SumField {
  const base = { name, label: labelOf(name, described) };
  if (described.type === 'object' && described.patterns)
    return { ...base, kind: 'map', numbers: described.patterns[0]?.rule?.type === 'number' };
  if (described.type === 'object') return { ...base, kind: 'group', fields: fieldsIn(described) };
  if (described.type === 'array' && described.ordered)
    return { ...base, kind: 'tuple', items: described.ordered.map((item, i) => labelOf(String(i), item)) };
  if (described.type === 'array' && described.items![0]!.ordered) return { ...base, kind: 'pairs' };
  if (described.type === 'array' && described.items![0]!.type !== 'object') return { ...base, kind: 'lines' };
  if (described.type === 'array') return { ...base, kind: 'list', fields: fieldsIn(described.items![0]!) };
  if (described.type === 'number')
    return {
      ...base,
      kind: 'number',
      unit: (described.flags as { unit?: string } | undefined)?.unit ?? '',
      limits: limitsOf(described),
    };
  if (described.allow && (described.flags as { only?: boolean } | undefined)?.only)
    return { ...base, kind: 'choice', options: described.allow.map(String) };
  return { ...base, kind: 'text' };
}

const fieldsIn = (described: Described): SumField[] =>
  Object.entries(described.keys ?? {}).map(([name, key]) => fieldOf(name, key));

/** The form of a sum. */
export function sumFields(sum: AnySum): SumField[] {
  return fieldsIn(sum.input.describe() as Described);
}
