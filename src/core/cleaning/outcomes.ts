import { assumed } from '../assumptions/assumptions';
import type { AgentId, KnownAgentId, OwnAgent } from '../materials/agents';
import { soilOf, type SoilId } from './soils';
import type { SurfaceId } from '../materials/surfaces';

export const OUTCOMES = ['gone', 'better', 'no change', 'harmed'] as const;
export type Outcome = (typeof OUTCOMES)[number];

/** What came of passes in this workshop, and how often. */
export interface Tried {
  agent: AgentId;
  soil: SoilId;
  surface: SurfaceId;
  outcome: Outcome;
  times: number;
}

const SUCCESS: Record<Outcome, number> = { gone: 1, better: 0.5, 'no change': 0, harmed: 0 };

export interface Chance {
  /** Middle of the Beta posterior. */
  mean: number;
  /** Chance of the data set. */
  prior: number;
  /** Own passes that it rests on. */
  own: number;
}

/** Chance that one pass of an agent takes a soil: the data set's, moved by what this workshop has seen (Beta posterior). */
export function chanceOf(
  agent: AgentId,
  soil: SoilId,
  tried: readonly Tried[],
  agents: readonly OwnAgent[] = [],
): Chance | null {
  const prior = soilOf(soil).chance[agent as KnownAgentId] ?? agents.find(({ id }) => id === agent)?.takes[soil];
  if (prior === undefined) return null;
  const own = tried.filter((pass) => pass.agent === agent && pass.soil === soil);
  const successes = own.reduce((sum, { outcome, times }) => sum + times * SUCCESS[outcome], 0);
  const passes = own.reduce((sum, { times }) => sum + times, 0);
  return {
    mean: (prior * assumed('weight of the data set') + successes) / (assumed('weight of the data set') + passes),
    prior,
    own: passes,
  };
}
