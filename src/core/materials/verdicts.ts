import { agentOf, type AgentId, type OwnAgent } from './agents';
import { FAMILIES, type Family } from './families';
import { knownSurface, surfaceOf, type OwnSurface, type Surface, type SurfaceId } from './surfaces';

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

/** What a workshop added to the data set, and its own verdicts. */
export interface OwnSubjects {
  verdicts: readonly OwnVerdict[];
  agents: readonly OwnAgent[];
  surfaces: readonly OwnSurface[];
}

export const NO_SUBJECTS: OwnSubjects = { verdicts: [], agents: [], surfaces: [] };

const rank = (verdict: CleaningVerdict) => VERDICTS.indexOf(verdict);

/** The stricter of two. */
const stricter = (a: Judged, b: Judged): Judged => (rank(b.verdict) > rank(a.verdict) ? b : a);

/** One step stricter: what happens to a verdict after something was harmed. */
export const lowered = (verdict: CleaningVerdict): CleaningVerdict =>
  VERDICTS[Math.min(VERDICTS.length - 1, rank(verdict) + 1)]!;

/** Where an action does more harm to one surface than what it is made of says. */
const EXCEPTIONS: readonly OwnVerdict[] = [
  {
    agent: 'vacuum-brush',
    surface: 'circuit-board',
    verdict: 'test first',
    reason: 'Only with an earthed nozzle and a wrist strap, never touching: static kills chips.',
  },
  {
    agent: 'enzyme-wipe',
    surface: 'polycarbonate',
    verdict: 'test first',
    reason: 'Enzyme powder is alkaline, and it stays wet for long: alkali cracks polycarbonate.',
  },
  {
    agent: 'enzyme-wipe',
    surface: 'aluminium',
    verdict: 'test first',
    reason: 'Enzyme powder is alkaline: a hidden spot first, rinsed well.',
  },
  {
    agent: 'enzyme-wipe',
    surface: 'painted-plastic',
    verdict: 'test first',
    reason: 'Twenty minutes wet lifts old paint at its edges.',
  },
  {
    agent: 'enzyme-wipe',
    surface: 'painted-steel',
    verdict: 'test first',
    reason: 'Twenty minutes wet creeps under chipped paint.',
  },
  {
    agent: 'enzyme-wipe',
    surface: 'legend-printed',
    verdict: 'test first',
    reason: 'Twenty minutes wet softens worn print.',
  },
  {
    agent: 'glass-cleaner',
    surface: 'aluminium',
    verdict: 'test first',
    reason: 'Many hold ammonia, which dulls bare aluminium.',
  },
  {
    agent: 'glass-cleaner',
    surface: 'zinc-plated-steel',
    verdict: 'test first',
    reason: 'Many hold ammonia, which takes the bright finish off zinc.',
  },
  { agent: 'dry-cloth', surface: 'circuit-board', verdict: 'never', reason: 'Cloth snags on parts and makes static.' },
  { agent: 'dry-cloth', surface: 'acrylic-window', verdict: 'never', reason: 'Dust under a dry cloth scratches it.' },
  {
    agent: 'dry-cloth',
    surface: 'screen-glass',
    verdict: 'never',
    reason: 'Dust under a dry cloth scratches the coating.',
  },
  { agent: 'dry-cloth', surface: 'paper-label', verdict: 'never', reason: 'Rubbing lifts its edge and its print.' },
];

function familyVerdict(family: Family, { test, never }: Surface): Judged {
  const forbidden = never[family];
  if (forbidden) return { verdict: 'never', reason: forbidden };
  const careful = test[family];
  return careful ? { verdict: 'test first', reason: careful } : { verdict: 'fine', reason: FAMILIES[family] };
}

/**
 * Whether an agent may touch a surface: the strictest of everything that it is made of, and never less strict than
 * what this workshop has found.
 */
export function verdictOn(
  agent: AgentId,
  surface: SurfaceId,
  { verdicts, agents, surfaces }: OwnSubjects = NO_SUBJECTS,
): Judged {
  const bears = surfaceOf(surface, surfaces);
  const known = agentOf(agent, agents)
    .families.map((family) => familyVerdict(family, bears))
    .reduce(stricter);
  const like = knownSurface(surface, surfaces);
  return [...EXCEPTIONS, ...verdicts]
    .filter((verdict) => verdict.agent === agent && (verdict.surface === surface || verdict.surface === like))
    .reduce<Judged>(stricter, known);
}

/** For a piece with several surfaces: the strictest, and whose it is. */
export function verdictOnAll(
  agent: AgentId,
  surfaces: readonly SurfaceId[],
  own: OwnSubjects = NO_SUBJECTS,
): Judged & { surface: SurfaceId } {
  return surfaces
    .map((surface) => ({ ...verdictOn(agent, surface, own), surface }))
    .reduce((worst, next) => (rank(next.verdict) > rank(worst.verdict) ? next : worst));
}
