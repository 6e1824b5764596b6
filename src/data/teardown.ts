import type { BlockRow, ConnectionRow, LotRow, RemovalStep, Tray } from './rows';
import { findRows } from './table';
import { literal } from 'sequelize';

/** A teardown whole: steps in the order taken off, with what belongs to them. */
export interface Teardown {
  steps: RemovalStep[];
  lots: LotRow[];
  connections: ConnectionRow[];
  blocks: BlockRow[];
}

export async function teardownOf(restorationId: string): Promise<Teardown> {
  const of = { restorationId };
  const steps = await findRows('removal_steps', of, [['position', 'ASC']]);
  const lots = await findRows('lots', of, [['rowid', 'ASC']]);
  const connections = await findRows('connections', of, [['rowid', 'ASC']]);
  const blocks = await findRows('blocks', of, [['rowid', 'ASC']]);
  return { steps, lots, connections, blocks };
}

/** The lot that lies in each cell now, of whatever machine: a cell is free again when all of its lot are back or explained. */
export const inTrays = (): Promise<LotRow[]> =>
  findRows(
    'lots',
    // As many as there are cells, however many lots ever lay in them: an order by number would have all of them read.
    literal(
      'rowid IN (SELECT MIN(rowid) FROM lots WHERE cell IS NOT NULL AND returned + missing < count GROUP BY tray, cell)',
    ),
  );

export const listTrays = (): Promise<Tray[]> => findRows('trays', {}, [['addedAt', 'ASC']]);
