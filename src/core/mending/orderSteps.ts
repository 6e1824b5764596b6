/** How far something that is bought has come, in its order. */
export const ORDER_STEPS = ['ordered', 'arrived', 'compared', 'fitted'] as const;
export type OrderStep = (typeof ORDER_STEPS)[number];

/** When each step was, ISO 8601; `null` where it is not done. */
export type OrderTimes = Record<`${OrderStep}At`, string | null>;

/**
 * The step that comes next; `null` once it is fitted.
 *
 * @example
 * nextStep({ orderedAt: null, arrivedAt: null, comparedAt: null, fittedAt: null }); // 'ordered'
 */
export const nextStep = (order: OrderTimes): OrderStep | null =>
  ORDER_STEPS.find((step) => order[`${step}At`] === null) ?? null;

/** The last step that was done; `null` for something that is only wanted. */
export const lastStep = (order: OrderTimes): OrderStep | null =>
  [...ORDER_STEPS].reverse().find((step) => order[`${step}At`] !== null) ?? null;

/** Whether it was due before now and is not here. */
export const isLate = ({ dueAt, arrivedAt }: { dueAt: string | null; arrivedAt: string | null }, now: Date): boolean =>
  dueAt !== null && arrivedAt === null && Date.parse(dueAt) < now.getTime();
