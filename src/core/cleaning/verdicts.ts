import { agentOf, type AgentId } from './agents';
import { FAMILIES, type Family } from './families';
import { surfaceOf, type SurfaceId } from './surfaces';

const VERDICTS = ['fine', 'test first', 'never'] as const;
export type CleaningVerdict = (typeof VERDICTS)[number];

export interface Judged {
  verdict: CleaningVerdict;
  reason: string;
}

/** A verdict of this workshop's own: written by hand, or after something was harmed. */
export interface OwnVerdict extends Judged {
  agent: AgentId;
  surface: SurfaceId;
}

const rank = (verdict: CleaningVerdict) => VERDICTS.indexOf(verdict);

/** The stricter of two. */
const stricter = (a: Judged, b: Judged): Judged => (rank(b.verdict) > rank(a.verdict) ? b : a);

/** One step stricter: what happens to a verdict after something was harmed. */
export const lowered = (verdict: CleaningVerdict): CleaningVerdict => VERDICTS[Math.min(VERDICTS.length - 1, rank(verdict) + 1)]!;

/** Where an action does more harm to one surface than what it is made of says. */
const EXCEPTIONS: readonly OwnVerdict[] = [
  {
    agent: 'vacuum-brush',
    surface: 'circuit-board',
    verdict: 'test first',
    reason: 'Only with an earthed nozzle and a wrist strap, never touching: static kills chips.',
  },
  { agent: 'dry-cloth', surface: 'circuit-board', verdict: 'never', reason: 'Cloth snags on parts and makes static.' },
  { agent: 'dry-cloth', surface: 'acrylic-window', verdict: 'never', reason: 'Dust under a dry cloth scratches it.' },
  { agent: 'dry-cloth', surface: 'screen-glass', verdict: 'never', reason: 'Dust under a dry cloth scratches the coating.' },
  { agent: 'dry-cloth', surface: 'paper-label', verdict: 'never', reason: 'Rubbing lifts its edge and its print.' },
];

function familyVerdict(family: Family, surface: SurfaceId): Judged {
  const { test, never } = surfaceOf(surface);
  const forbidden = never[family];
  if (forbidden) return { verdict: 'never', reason: forbidden };
  const careful = test[family];
  return careful ? { verdict: 'test first', reason: careful } : { verdict: 'fine', reason: FAMILIES[family] };
}

/**
 * Whether an agent may touch a surface: the strictest of everything that it is made of, and never less strict than
 * what this workshop has found.
 */
export function verdictOn(agent: AgentId, surface: SurfaceId, own: readonly OwnVerdict[] = []): Judged {
  const known = agentOf(agent)
    .families.map((family) => familyVerdict(family, surface))
    .reduce(stricter);
  return [...EXCEPTIONS, ...own].filter((verdict) => verdict.agent === agent && verdict.surface === surface).reduce<Judged>(stricter, known);
}

/** For a piece with several surfaces: the strictest, and whose it is. */
export function verdictOnAll(agent: AgentId, surfaces: readonly SurfaceId[], own: readonly OwnVerdict[] = []): Judged & { surface: SurfaceId } {
  return surfaces
    .map((surface) => ({ ...verdictOn(agent, surface, own), surface }))
    .reduce((worst, next) => (rank(next.verdict) > rank(worst.verdict) ? next : worst));
}
