import { proposalFor } from '@/core/intake/proposals';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import { viewHref } from '@/core/runsheet/views';
import { askedFor } from '@/data/findings';
import { restorationsPage } from '@/data/restorations';

/** Work that hands can do while glue cures. */
export interface Meanwhile {
  words: string;
  href: string;
}

/** So many are named: the next ones, not all there are; of so many machines, the last worked on. */
const NAMED = 4;
const MACHINES = 6;

/** Open findings of this machine and of the others that ask for no wait: one for each stage of a machine. */
export async function meanwhile(restorationId: string): Promise<Meanwhile[]> {
  const { restorations } = await restorationsPage('open', '', 0, MACHINES);
  const ordered = restorations.sort((a, b) => Number(b.id === restorationId) - Number(a.id === restorationId));
  const found: Meanwhile[] = [];
  for (const { id, title } of ordered) {
    if (found.length === NAMED) break;
    for (const [stage, findings] of await askedFor(id)) {
      const [first] = findings;
      if (stage === 'mend' || !first || found.length === NAMED) continue;
      const what = first.words || proposalFor(first, 'as new').words;
      found.push({
        words: `${title}, ${STAGE_WORDS[stage].title.toLowerCase()}: ${first.kind}, ${what}`,
        href: viewHref(id, stage),
      });
    }
  }
  return found;
}
