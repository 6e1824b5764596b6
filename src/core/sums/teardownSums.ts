import Joi from 'joi';
import type { Block } from '../teardown/order';
import { rebuildOrder, type RebuildOrder } from '../teardown/rebuildOrder';
import type { Sum } from './sum';

/** Ids may be written as numbers; they are names all the same. */
const stepId = () => Joi.alternatives().try(Joi.string().trim().max(200), Joi.number().cast('string'));

interface RebuildInput {
  steps: string[];
  blocks: Block[];
}

const rebuildOrderSum: Sum<RebuildInput, RebuildOrder> = {
  name: 'rebuild-order',
  title: 'Rebuild order',
  summary: 'The way back: an order that keeps every block and is as near the reverse of teardown as can be.',
  input: Joi.object({
    steps: Joi.array()
      .items(stepId(), Joi.string().valid('').strip())
      .max(1000)
      .required()
      .label('Steps in the order taken off, one a line'),
    blocks: Joi.array()
      .items(
        Joi.object({
          first: stepId().required().label('This goes on first'),
          then: stepId().required().label('And only then this'),
        }),
      )
      .max(10_000)
      .default([])
      .label('Blocks'),
  }),
  compute: ({ steps, blocks }) => rebuildOrder(steps, blocks),
  source:
    'Topological order with the fewest inversions against the reverse (Kendall’s distance, 1938); best-first search over what is on already, bounded by pairs that every order must turn round.',
  example: {
    steps: ['lid screws', 'lid', 'inner shield', 'outer shield', 'board'],
    blocks: [{ first: 'inner shield', then: 'outer shield' }],
  },
  results: (out) =>
    out.circles.length > 0
      ? [{ label: 'These wait for each other. Cut one block of the ring', value: out.circles[0]!.join(' → ') }]
      : [
          { label: 'Goes on first', value: out.order[0] ?? 'nothing' },
          { label: 'Goes on last', value: out.order[out.order.length - 1] ?? 'nothing' },
          { label: 'Pairs turned round', value: out.inversions, digits: 0 },
          { label: 'No order has fewer than', value: out.lowerBound, digits: 0 },
        ],
  working: (out) => [
    ...out.circles.map((circle) => `Ring: ${[...circle, circle[0]].join(' → ')}`),
    ...out.order.map((step, i) => {
      const early = out.early.find((e) => e.step === step);
      return `${i + 1}. ${step}${early ? ` (goes in early, by ${early.placesEarlier}, or you take all this off again)` : ''}`;
    }),
  ],
};

export const TEARDOWN_SUMS = [rebuildOrderSum];
