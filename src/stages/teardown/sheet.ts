import { JOINTS } from '@/core/teardown/joints';
import { holeDepth, lotWords } from '@/core/teardown/lots';
import { rebuildOrder } from '@/core/teardown/rebuildOrder';
import type { Teardown } from '@/data/teardown';

/** Marks that Markdown would take for its own are written as themselves. */
const plain = (words: string) => words.replace(/([\\`*_{}[\]<>#|])/g, '\\$1').replace(/\s+/g, ' ');

/** Teardown and the way back as one Markdown sheet, to print and to lay beside the machine. */
export function teardownSheet(title: string, { steps, lots, connections, blocks }: Teardown): string {
  const nameOf = (id: string) => plain(steps.find((step) => step.id === id)?.name ?? '');
  const lines = [`# ${plain(title)}: teardown and rebuild`, '', '## Taken off, in this order', ''];
  for (const { id, position, name, joint, way, springs } of steps) {
    lines.push(`${position}. **${plain(name)}** (${[JOINTS[joint].title.toLowerCase(), way, springs].filter(Boolean).map(plain).join('; ')})`);
    for (const lot of lots.filter(({ stepId }) => stepId === id))
      lines.push(`   - [ ] ${plain(lotWords(lot))}; no longer than ${holeDepth(lot, lot.deepestMm)} mm${lot.words ? `; ${plain(lot.words)}` : ''}`);
    for (const connection of connections.filter(({ stepId }) => stepId === id)) lines.push(`   - [ ] ${connection.kind}: ${plain(connection.way)}`);
  }
  const way = rebuildOrder(
    steps.map(({ id }) => id),
    blocks.map(({ firstId, thenId }) => ({ first: firstId, then: thenId })),
  );
  lines.push('', '## The way back', '');
  for (const circle of way.circles) lines.push(`- These wait for each other: ${[...circle, circle[0]!].map(nameOf).join(' → ')}`);
  way.order.forEach((id, i) => {
    const waiting = blocks.filter(({ firstId }) => firstId === id).map(({ thenId }) => nameOf(thenId));
    const early = way.early.some(({ step }) => step === id) && waiting.length > 0;
    lines.push(
      `${i + 1}. [${steps.find((step) => step.id === id)?.onAt ? 'x' : ' '}] ${nameOf(id)}${early ? ` (goes in early, before ${waiting.join(' and ')})` : ''}`,
    );
  });
  return `${lines.join('\n')}\n`;
}
