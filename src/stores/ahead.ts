import { unitOf, type StoreUnit } from '@/core/ledger/left';
import { runsOut, type RunsOut, type Taken } from '@/core/schedule/supplies';
import { taskWords } from '@/core/schedule/taskWords';
import { planThatStands } from '@/data/plans';
import { onShelf, shelfWithCare, type CaredFor } from '@/data/stockCare';

export interface Ahead extends RunsOut {
  unit: StoreUnit;
  kind: string;
}

/** What plans use against what is there: what runs out first comes first. */
export async function storesAhead(now: Date): Promise<{ rows: Ahead[]; items: CaredFor[]; planned: boolean }> {
  const [items, stands] = await Promise.all([shelfWithCare(), planThatStands()]);
  const taken = (stands?.plan.tasks ?? []).flatMap(({ from, about }): Taken[] =>
    about.takes.map(({ stockId, word, amount, owned = false }) => ({
      ...{ at: Date.parse(from), stockId, amount, owned, task: taskWords(about) },
      word: word.toLowerCase(),
    })),
  );
  const rows = runsOut(onShelf(items), taken, now.getTime()).map((row): Ahead => {
    const kind = items.find(({ id }) => id === row.id)?.kind ?? row.name;
    return { ...row, kind, unit: unitOf(kind) };
  });
  const soonest = (row: Ahead) => row.orderBy ?? Infinity;
  return {
    items,
    planned: stands !== null,
    rows: rows
      .filter(({ uses, lowAt, isOld }) => uses > 0 || lowAt !== null || isOld)
      .sort((a, b) => soonest(a) - soonest(b) || a.name.localeCompare(b.name)),
  };
}
