import { JOINTS } from '@/core/teardown/joints';
import { holeDepth, lotWords } from '@/core/teardown/lots';
import { rebuildOrder } from '@/core/teardown/rebuildOrder';
import type { RemovalStep } from '@/data/rows';
import type { Teardown } from '@/data/teardown';

/** Teardown and the way back as words, for every kind of paper. */
export interface Sheet {
  title: string;
  off: { step: RemovalStep; how: string; ticks: string[] }[];
  /** Steps that wait for each other, as a ring of names. */
  circles: string[];
  back: { on: boolean; words: string }[];
}

/** What the sheet says. */
export function sheetOf(title: string, { steps, lots, connections, blocks }: Teardown): Sheet {
  const nameOf = (id: string) => steps.find((step) => step.id === id)?.name ?? '';
  const off = steps.map((step) => ({
    step,
    how: [JOINTS[step.joint].title.toLowerCase(), step.way, step.springs, step.offBy && `by ${step.offBy}`]
      .filter(Boolean)
      .join('; '),
    ticks: [
      ...lots
        .filter(({ stepId }) => stepId === step.id)
        .map(
          (lot) =>
            `${lotWords(lot)}; no longer than ${holeDepth(lot, lot.deepestMm)} mm${lot.words ? `; ${lot.words}` : ''}`,
        ),
      ...connections.filter(({ stepId }) => stepId === step.id).map(({ kind, way }) => `${kind}: ${way}`),
    ],
  }));
  const way = rebuildOrder(
    steps.map(({ id }) => id),
    blocks.map(({ firstId, thenId }) => ({ first: firstId, then: thenId })),
  );
  const back = way.order.map((id) => {
    const waiting = blocks.filter(({ firstId }) => firstId === id).map(({ thenId }) => nameOf(thenId));
    const early = way.early.some(({ step }) => step === id) && waiting.length > 0;
    return {
      on: steps.find((step) => step.id === id)?.onAt !== null,
      words: `${nameOf(id)}${early ? ` (goes in early, before ${waiting.join(' and ')})` : ''}`,
    };
  });
  return { title, off, circles: way.circles.map((circle) => [...circle, circle[0]!].map(nameOf).join(' → ')), back };
}

/** Marks that Markdown would take for its own are written as themselves. */
const plain = (words: string) => words.replace(/([\\`*_{}[\]<>#|])/g, '\\$1').replace(/\s+/g, ' ');

/** The sheet as Markdown, to print and to lay beside the machine. */
export function sheetMarkdown({ title, off, circles, back }: Sheet): string {
  const lines = [`# ${plain(title)}: teardown and rebuild`, '', '## Taken off, in this order', ''];
  for (const { step, how, ticks } of off)
    lines.push(
      `${step.position}. **${plain(step.name)}** (${plain(how)})`,
      ...ticks.map((tick) => `   - [ ] ${plain(tick)}`),
    );
  lines.push('', '## The way back', '', ...circles.map((circle) => `- These wait for each other: ${plain(circle)}`));
  back.forEach(({ on, words }, i) => lines.push(`${i + 1}. [${on ? 'x' : ' '}] ${plain(words)}`));
  return `${lines.join('\n')}\n`;
}
