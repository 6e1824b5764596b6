import { unitOf, type StoreUnit } from '@/core/ledger/left';
import { runsOut, type RunsOut, type Taken } from '@/core/schedule/supplies';
import { taskWords } from '@/core/schedule/taskWords';
import { planThatStands } from '@/data/plans';
import { allWithCare, onShelf, type CaredFor } from '@/data/stockCare';

export interface Ahead extends RunsOut {
  unit: StoreUnit;
  kind: string;
}

/** What plans use against what is there: what runs out first comes first. */
export async function storesAhead(
  now: Date,
): Promise<{ rows: Ahead[]; items: CaredFor[]; thrown: CaredFor[]; planned: boolean }> {
  const [all, stands] = await Promise.all([allWithCare(), planThatStands()]);
  const items = all.filter(({ care }) => !care?.thrownAt);
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
    thrown: all.filter(({ care }) => care?.thrownAt),
    planned: stands !== null,
    rows: rows
      .filter(({ uses, lowAt, isOld }) => uses > 0 || lowAt !== null || isOld)
      .sort((a, b) => soonest(a) - soonest(b) || a.name.localeCompare(b.name)),
  };
}
