import { newestMark } from './log';
import type { PlanRow } from './rows';
import { addRow, changeRow, findRow } from './table';
import { inTransaction } from './connection';
import type { KeptPlan } from '@/core/schedule/kept';

const NOW = 'now';
const BEFORE = 'before';

/** The plan that stands; `null` before the first. */
export const planThatStands = (): Promise<PlanRow | null> => findRow('plans', NOW);

/** The plan before the one that stands. */
export const planBefore = (): Promise<PlanRow | null> => findRow('plans', BEFORE);

/**
 * Puts a plan in the place of the one that stands. What moved stays to be read until something else moves, or somebody has
 * read it.
 */
export async function keepPlan(plan: KeptPlan, mark: number, now: Date): Promise<PlanRow> {
  return inTransaction(async () => {
    const stands = await planThatStands();
    const row: PlanRow = { id: NOW, number: (stands?.number ?? 0) + 1, at: now.toISOString(), mark, plan };
    if (stands && plan.moved) await put({ ...stands, id: BEFORE });
    await put(row);
    return row;
  });
}

/** What moved was read: it is not said any more. */
export async function planRead(number: number): Promise<void> {
  await inTransaction(async () => {
    const stands = await planThatStands();
    if (stands && stands.number === number)
      await changeRow('plans', { id: NOW }, { plan: { ...stands.plan, moved: null }, number: number + 1 });
  });
}

async function put(row: PlanRow): Promise<void> {
  if (!(await changeRow('plans', { id: row.id }, row))) await addRow('plans', row);
}

/** The newest change that a screen can show: of the log, or of the plan. */
export async function newestShown(): Promise<number> {
  const [mark, plan] = await Promise.all([newestMark(), planThatStands()]);
  return mark + (plan?.number ?? 0);
}
