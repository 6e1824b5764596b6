import type { RustRow, RustShareRow, RustStepRow } from './rows';
import { findRows } from './table';

/** A rusted place with its rungs and its shares, each in the order in which they came. */
export interface RustWithAll extends RustRow {
  steps: RustStepRow[];
  shares: RustShareRow[];
}

/** Rusted places of a machine that were told, the newest first. */
export async function rustsOf(restorationId: string): Promise<RustWithAll[]> {
  const [rusts, steps, shares] = await Promise.all([
    findRows('rusts', { restorationId }, [['rowid', 'DESC']]),
    findRows('rust_steps', { restorationId }, [['rowid', 'ASC']]),
    findRows('rust_shares', { restorationId }, [['rowid', 'ASC']]),
  ]);
  return rusts.map((rust) => ({
    ...rust,
    steps: steps.filter(({ rustId }) => rustId === rust.id),
    shares: shares.filter(({ rustId }) => rustId === rust.id),
  }));
}
