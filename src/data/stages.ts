import type { StageRow } from './rows';
import { ofEach } from './ofEach';
import { findRows } from './table';
import { STAGES } from '@/core/runsheet/stages';

/** In the order of work. */
export const inOrder = (a: StageRow, b: StageRow): number => STAGES.indexOf(a.stage) - STAGES.indexOf(b.stage);

/** The nine stages in the order of work. */
export async function stagesOf(restorationId: string): Promise<StageRow[]> {
  return (await stagesOfAll([restorationId])).get(restorationId)!;
}

/** Those of several restorations. */
export async function stagesOfAll(restorationIds: string[]): Promise<Map<string, StageRow[]>> {
  const rows = await findRows('stages', { restorationId: restorationIds });
  const rowsOf = ofEach();
  return new Map(restorationIds.map((id) => [id, rowsOf(id)(rows).sort(inOrder)]));
}
