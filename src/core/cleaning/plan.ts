import { agentOf, type AgentId } from '../materials/agents';
import {
  cleaningLadder,
  neverWith,
  type Ladder,
  type OwnKnowledge,
  type RuledOut,
  type Rung,
  type Spot,
} from './ladder';
import { mixture } from '../materials/mixing';

/** A spot with what it is called, so that a step can say which it serves. */
export interface NamedSpot extends Spot {
  id: string;
  name: string;
}

interface Step extends Rung {
  /** The spots of the piece that it serves at once. */
  spots: string[];
}

export interface PiecePlan {
  steps: Step[];
  /** What one spot would ask for and another forbids. */
  ruledOut: RuledOut[];
  /** Each spot's ladder, without what the other spots of the piece forbid. */
  ladders: { spot: NamedSpot; ladder: Ladder }[];
}

/** The ladders of all spots of a piece as one way through: what serves several spots is done once, gentlest first. */
export function planPiece(spots: readonly NamedSpot[], own: OwnKnowledge): PiecePlan {
  const ladders = spots.map((spot) => ({ spot, ladder: cleaningLadder(spot, own) }));
  const merged = new Map<AgentId, Step>();
  for (const { spot, ladder } of ladders)
    for (const rung of ladder.rungs) {
      const known = merged.get(rung.agent);
      if (known) known.spots.push(spot.id);
      else merged.set(rung.agent, { ...rung, spots: [spot.id] });
    }
  const roughnessOf = (agent: AgentId) => agentOf(agent, own.agents).roughness;
  const inOrder = [...merged.values()].sort(
    (a, b) =>
      roughnessOf(a.agent) - roughnessOf(b.agent) ||
      b.spots.length - a.spots.length ||
      a.minutesToSuccess - b.minutesToSuccess,
  );
  // One bench for the whole piece: what may never meet does not stand in one plan, and the gentler stays.
  const steps: Step[] = [];
  const ruledOut: RuledOut[] = [];
  for (const step of inOrder) {
    const foe = steps.find(({ agent }) => mixture(agent, step.agent, own.agents).together === 'never together');
    if (foe) ruledOut.push({ agent: step.agent, because: 'mixture', why: neverWith(foe.agent, step.agent, own) });
    else steps.push(step);
  }
  const meet = ladders.map(({ spot, ladder }) => {
    const out = ruledOut.filter(({ agent }) => ladder.rungs.some((rung) => rung.agent === agent));
    return {
      spot,
      ladder: {
        ...ladder,
        rungs: ladder.rungs.filter(({ agent }) => !out.some((other) => other.agent === agent)),
        ruledOut: [...ladder.ruledOut, ...out],
      },
    };
  });
  return { steps, ruledOut, ladders: meet };
}

/**
 * The next rung for a spot: the first untried one, the gentlest first, however far somebody has gone by hand. “Better” may be done again, “no change” steps
 * up, “harmed” stops at once.
 *
 * @param done what came of each agent on this spot, in the order tried
 */
export function nextRung(
  ladder: Ladder,
  done: readonly { agent: AgentId; outcome: 'gone' | 'better' | 'no change' | 'harmed' }[],
): Rung | null {
  const last = done[done.length - 1];
  if (last && (last.outcome === 'gone' || last.outcome === 'harmed')) return null;
  if (last?.outcome === 'better' && done.filter(({ agent }) => agent === last.agent).length < 2)
    return ladder.rungs.find(({ agent }) => agent === last.agent) ?? null;
  return untriedRungs(ladder, done)[0] ?? null;
}

/** Rungs that stand and were not tried yet, the gentlest first. */
function untriedRungs({ rungs }: Ladder, done: readonly { agent: AgentId }[]): Rung[] {
  const tried = new Set(done.map(({ agent }) => agent));
  return rungs.filter(({ agent }) => !tried.has(agent));
}

/** What a rung that is chosen by hand skips: gentler ones that were not tried. */
export function skippedBy(ladder: Ladder, done: readonly { agent: AgentId }[], agent: AgentId): AgentId[] {
  const untried = untriedRungs(ladder, done).map((rung) => rung.agent);
  return untried.slice(0, Math.max(0, untried.indexOf(agent)));
}
