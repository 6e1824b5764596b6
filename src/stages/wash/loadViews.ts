import { agentOf, type Agent, type AgentId } from '@/core/materials/agents';
import { loadsFor, type Tub } from '@/core/cleaning/loads';
import type { UnitId } from '@/core/sums/sum';
import { amountWords, type UnitSystem } from '@/core/units';
import type { OwnKnowledge } from '@/core/cleaning/ladder';
import { withOthersAt } from '@/data/restorations';
import { eachAlone } from '@/edge/eachAlone';
import { washSpotsOf, type WashSpot } from '@/work/wash/spots';
import type { LoadView } from './TubPart';

const ANY_SIZE_WORDS = 'has no size: write it down, and it is counted in';

/** So many other machines at the wash are looked through for what could share the bath: those worked on last. */
const OTHERS = 5;

/** Loads of this machine with those that are washed at the same time, for the largest tub. */
export async function loadViews(
  restorationId: string,
  tubs: readonly Tub[],
  own: OwnKnowledge,
  units: UnitSystem,
): Promise<LoadView[]> {
  const tub = [...tubs].sort((a, b) => b.lengthMm * b.widthMm * b.depthMm - a.lengthMm * a.widthMm * a.depthMm)[0];
  if (!tub) return [];
  const { agents } = own;
  const restorations = await withOthersAt('wash', restorationId, OTHERS);
  const { out: waiting } = await eachAlone(restorations, async (some) => {
    const spots = await washSpotsOf(some, own);
    return some.flatMap(({ id, title }) => (spots.get(id) ?? []).map((of) => ({ of, title })));
  });
  const byAgent = new Map<AgentId, Map<string, { of: WashSpot; title: string }>>();
  for (const entry of waiting) {
    const agent = entry.of.next?.agent;
    if (!agent || !entry.of.piece || agentOf(agent, agents).perLitre === null || agentOf(agent, agents).wet !== 'bath')
      continue;
    const pieces = byAgent.get(agent) ?? new Map<string, { of: WashSpot; title: string }>();
    byAgent.set(agent, pieces.set(entry.of.piece.id, entry));
  }
  return [...byAgent].flatMap(([agent, entries]) => viewsOf(agentOf(agent, agents), [...entries.values()], tub, units));
}

function viewsOf(
  agent: Agent,
  entries: readonly { of: WashSpot; title: string }[],
  tub: Tub,
  units: UnitSystem,
): LoadView[] {
  const nameOf = (id: string) => {
    const { of, title } = entries.find((entry) => entry.of.piece!.id === id)!;
    return `${of.piece!.tag} ${of.piece!.name} (${title})`;
  };
  const sized = entries.flatMap(({ of: { piece } }) => {
    const { id, lengthMm, widthMm, heightMm } = piece!;
    return lengthMm && widthMm && heightMm ? [{ id, lengthMm, widthMm, heightMm }] : [];
  });
  const { loads, tooBig } = loadsFor(agent, sized, tub);
  const { title, bathC } = agent;
  const say = (value: number, unit: UnitId, digits = 0) => amountWords(value, unit, digits, units);
  const views = loads.map(({ pieces, waterL, amount, unit }, i): LoadView => ({
    key: `${title}:${i}`,
    title: `${title}: load ${i + 1} of ${loads.length} in “${tub.name}”`,
    pieces: pieces.map(nameOf),
    words: `${say(waterL, 'L', 1)} of water${bathC === null ? '' : ` at ${say(bathC, '°C')}`}, ${say(amount, unit)}. One layer, nothing upon another; masked labels stay above the water.`,
  }));
  const unsized = entries
    .filter(({ of }) => !sized.some(({ id }) => id === of.piece!.id))
    .map(({ of }) => `${nameOf(of.piece!.id)} ${ANY_SIZE_WORDS}`);
  const left = [...tooBig.map(({ id, why }) => `${nameOf(id)}: ${why}`), ...unsized];
  return left.length > 0
    ? [...views, { key: `${title}:left`, title: `${title}: not in a load`, pieces: left, words: '' }]
    : views;
}
