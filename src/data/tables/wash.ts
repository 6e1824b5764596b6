import Joi from 'joi';
import { OUTCOMES } from '@/core/cleaning/outcomes';
import { SOIL_IDS } from '@/core/cleaning/soils';
import { MOST } from '@/core/limits';
import type { Agent, AgentId, OwnAgent } from '@/core/materials/agents';
import { FAMILY_NAMES } from '@/core/materials/families';
import { agentSchema, surfaceSchema } from '@/core/materials/schema';
import { SURFACE_IDS, type SurfaceId } from '@/core/materials/surfaces';
import type { OwnVerdict } from '@/core/materials/verdicts';
import {
  choice,
  holding,
  id,
  json,
  known,
  naming,
  namingAcross,
  ofRestoration,
  orNull,
  ownId,
  real,
  table,
  text,
  time,
  timeOrNull,
  title,
  TOLD,
  whole,
  type Row,
} from '../column';
import { cautions } from './brighten';

const agent = known<AgentId>(agentSchema);
const surface = known<SurfaceId>(surfaceSchema);
const soil = choice(SOIL_IDS);

/** What was done at the sink, and what the workshop knows of agents and surfaces. */
export const WASH_TABLES = {
  /** One pass of one agent over one spot. */
  sink_steps: table({
    exported: { as: 'sinkSteps', since: 4, by: 'rowid' },
    columns: {
      id,
      restorationId: ofRestoration,
      findingId: naming('findings'),
      pieceId: orNull(naming('pieces')),
      timerId: orNull(namingAcross),
      agent,
      soil,
      surface,
      startedAt: time,
      endedAt: timeOrNull,
      outcome: orNull(choice(OUTCOMES)),
      words: text(TOLD),
      photoId: orNull(naming('photos')),
      /** Those that were confirmed before it. */
      cautions,
    },
  }),
  own_verdicts: table({
    columns: { id, agent, surface, verdict: known<OwnVerdict['verdict']>(Joi.string()), reason: text(), at: time },
  }),
  /** An agent that this workshop does not own or does not want. */
  agents_off: table({ columns: { id: holding<AgentId>(id), at: time } }),
  own_agents: table({
    columns: {
      id: ownId,
      title: title(MOST.name),
      does: text(MOST.few),
      families: json<OwnAgent['families']>(
        Joi.array()
          .items(Joi.string().valid(...FAMILY_NAMES))
          .min(1),
      ),
      roughness: holding<Agent['roughness']>(whole(0, 9)),
      wet: choice(['dry', 'damp', 'bath']),
      leaves: choice(['nothing', 'water', 'alcohol', 'vinegar', 'oil']),
      dwellMin: real(0, 2880),
      handsMin: real(0, 240),
      rinse: text(MOST.few),
      protection: text(MOST.few),
      perLitre: orNull(
        json<NonNullable<OwnAgent['perLitre']>>(
          Joi.object({
            amount: Joi.number().positive().max(1000).required(),
            unit: Joi.string().valid('mL', 'g').required(),
          }),
        ),
      ),
      bathC: orNull(real(0, 50)),
      source: choice(['this workshop']),
      /** Chance that one pass takes a soil, by soil. */
      takes: json<OwnAgent['takes']>(Joi.object().pattern(Joi.string().valid(...SOIL_IDS), Joi.number().min(0).max(1))),
      addedAt: time,
    },
  }),
  own_surfaces: table({
    columns: { id: ownId, title: title(MOST.name), like: choice(SURFACE_IDS), addedAt: time },
  }),
  tubs: table({
    columns: {
      id,
      name: text(),
      lengthMm: real(0, MOST.sideMm),
      widthMm: real(0, MOST.sideMm),
      depthMm: real(0, MOST.sideMm),
      addedAt: time,
    },
  }),
  /** How often a pass came to an outcome in this workshop; the database counts. */
  learnt_outcomes: table({
    columns: { id, agent, soil, surface, outcome: choice(OUTCOMES), times: whole(0, Number.MAX_SAFE_INTEGER) },
  }),
};

export type SinkStep = Row<typeof WASH_TABLES.sink_steps>;
export type OwnVerdictRow = Row<typeof WASH_TABLES.own_verdicts>;
export type OwnAgentRow = Row<typeof WASH_TABLES.own_agents>;
export type OwnSurfaceRow = Row<typeof WASH_TABLES.own_surfaces>;
export type TubRow = Row<typeof WASH_TABLES.tubs>;
