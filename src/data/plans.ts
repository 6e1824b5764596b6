import { dataFolder } from './folder';
import { newestMark } from './log';
import type { PlanRow } from './rows';
import { addRow, changeRow, findColumns, findRow } from './table';
import { inTransaction } from './connection';
import type { KeptPlan } from '@/core/schedule/kept';

const NOW = 'now';
const BEFORE = 'before';

/** What is known of the plan that stands without reading it: a plan of many machines is large. */
export async function planHead(): Promise<Pick<PlanRow, 'number' | 'at' | 'mark'> | null> {
  return (await findColumns('plans', ['number', 'at', 'mark'], { id: NOW }))[0] ?? null;
}

const kept = globalThis as { kvellPlan?: { folder: string; row: PlanRow } };

/** The plan that stands; `null` before the first. It is read once for each number. */
export async function planThatStands(): Promise<PlanRow | null> {
  const head = await planHead();
  if (!head) return null;
  const { folder, row: known } = kept.kvellPlan ?? {};
  if (known && folder === dataFolder() && known.number === head.number && known.at === head.at) return known;
  const row = await findRow('plans', NOW);
  if (row) kept.kvellPlan = { folder: dataFolder(), row };
  return row;
}

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
  const [mark, plan] = await Promise.all([newestMark(), planHead()]);
  return mark + (plan?.number ?? 0);
}
