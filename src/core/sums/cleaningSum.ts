import Joi from 'joi';
import { agentOf, AGENT_IDS, type AgentId } from '../materials/agents';
import { END_WORDS } from '../cleaning/ladderWords';
import { cleaningLadder, NOTHING_OWN, VISIBLE, type Ladder, type Visible } from '../cleaning/ladder';
import { OUTCOMES, type Outcome } from '../cleaning/outcomes';
import { SOIL_IDS, type SoilId } from '../cleaning/soils';
import { SURFACE_IDS, type SurfaceId } from '../materials/surfaces';
import { AIMS, type Aim } from '../intake/aim';
import { SEVERITIES, type Severity } from '../intake/findings';
import type { Sum } from './sum';

interface LadderInput {
  soil: SoilId;
  substrate: SurfaceId;
  finish: 'plain' | 'painted' | 'plated' | 'printed';
  severity: Severity;
  visible: Visible;
  aim: Aim;
  record: { agent: AgentId; outcome: Outcome }[];
}

/** What lies over the substrate has to bear every step too. */
const OVER: Record<LadderInput['finish'], SurfaceId[]> = {
  plain: [],
  painted: ['painted-plastic'],
  plated: ['plated-plastic'],
  printed: ['legend-printed'],
};

const cleaningLadderSum: Sum<LadderInput, Ladder> = {
  name: 'cleaning-ladder',
  title: 'Cleaning ladder',
  summary: 'What to try on a spot, gentlest first, what is ruled out and why, and where to stop.',
  input: Joi.object({
    soil: Joi.string()
      .valid(...SOIL_IDS)
      .required()
      .label('Soil'),
    substrate: Joi.string()
      .valid(...SURFACE_IDS)
      .required()
      .label('Surface'),
    finish: Joi.string().valid('plain', 'painted', 'plated', 'printed').default('plain').label('Finish over it'),
    severity: Joi.string()
      .valid(...SEVERITIES)
      .default('plain')
      .label('How bad'),
    visible: Joi.string()
      .valid(...VISIBLE)
      .default('front')
      .label('Seen from'),
    aim: Joi.string()
      .valid(...AIMS)
      .default('presentable')
      .label('How far to go'),
    record: Joi.array()
      .items(
        Joi.object({
          agent: Joi.string()
            .valid(...AGENT_IDS)
            .required(),
          outcome: Joi.string()
            .valid(...OUTCOMES)
            .required(),
        }),
      )
      .max(500)
      .default([])
      .label('Own record'),
  }),
  compute: ({ soil, substrate, finish, record, severity, visible, aim }) =>
    cleaningLadder(
      { soil, surfaces: [substrate, ...OVER[finish]], severity, visible, aim, paperLabel: '', metalInside: '' },
      {
        ...NOTHING_OWN,
        tried: record.map(({ agent, outcome }) => ({ agent, outcome, soil, surface: substrate, times: 1 })),
      },
    ),
  source:
    'Data set of Kvell: workshop wisdom, reviewed. Chances move with your own record (Beta posterior, the data set counting for four passes).',
  example: {
    soil: 'hand-grease',
    substrate: 'abs-textured',
    finish: 'plain',
    severity: 'plain',
    visible: 'front',
    aim: 'presentable',
    record: [],
  },
  results: ({ rungs, ruledOut }) => [
    { label: 'Rungs', value: rungs.length, digits: 0 },
    ...rungs.map(({ agent, minutesToSuccess, chance }, i) => ({
      label: `${i + 1}. ${agentOf(agent).title}`,
      value: `about ${Math.round(minutesToSuccess)} min until clean, ${Math.round(100 * chance.mean)} %`,
    })),
    { label: 'Ruled out', value: ruledOut.length, digits: 0 },
  ],
  working: ({ rungs, ruledOut, end }) => [
    ...rungs.map(
      ({ agent, why, testSpot, between }) =>
        [agentOf(agent).title, why, testSpot && `Hidden spot first: ${testSpot}`, between]
          .filter((part): part is string => Boolean(part))
          .map((part) => part.replace(/\.$/, ''))
          .join('. ') + '.',
    ),
    ...ruledOut.map(({ agent, why }) => `Out: ${agentOf(agent).title}. ${why}`),
    END_WORDS[end],
  ],
};

export const CLEANING_SUMS = [cleaningLadderSum];
