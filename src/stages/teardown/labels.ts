import { holeDepth, lotWords } from '@/core/teardown/lots';
import { cellName } from '@/core/teardown/tray';
import type { LotRow, Tray } from '@/data/rows';
import type { Teardown } from '@/data/teardown';

/** One label: what to write where, and which screen its code opens. */
export interface Label {
  /** What the eye looks for: cell, bag or tray. */
  tag: string;
  title: string;
  words: string[];
  lot: LotRow | null;
  path: string;
}

/** Labels for every lot, by its cell or as a bag of its own, and one for each tray that holds some of them. */
export function labelsOf(
  restoration: { id: string; title: string },
  { steps, lots }: Teardown,
  trays: readonly Tray[],
): Label[] {
  const screen = `/restorations/${restoration.id}/teardown`;
  const bags = lots.filter(({ cell }) => cell === null);
  const ofLots = lots.map((lot): Label => {
    const step = steps.find(({ id }) => id === lot.stepId);
    const tray = trays.find(({ name }) => name === lot.tray);
    const tag = tray && lot.cell !== null ? `${tray.name} ${cellName(lot.cell, tray)}` : `Bag ${bags.indexOf(lot) + 1}`;
    return {
      tag,
      title: `${step?.position ?? ''} ${step?.name ?? ''}`.trim(),
      words: [lotWords(lot), `no longer than ${holeDepth(lot, lot.deepestMm)} mm`, restoration.title],
      lot,
      path: `${screen}?step=${lot.stepId}`,
    };
  });
  const ofTrays = trays.flatMap((tray): Label[] => {
    const inside = lots.filter((lot) => lot.tray === tray.name && lot.cell !== null);
    if (inside.length === 0) return [];
    const fasteners = inside.reduce((sum, { count }) => sum + count, 0);
    return [
      {
        tag: tray.name,
        title: restoration.title,
        words: [`${inside.length} lots, ${fasteners} fasteners`],
        lot: null,
        path: `${screen}#tray`,
      },
    ];
  });
  return [...ofTrays, ...ofLots];
}
