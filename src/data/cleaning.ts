import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import { AGENT_IDS, agentOf, leastRoughness, type AgentId, type OwnAgent } from '@/core/cleaning/agents';
import { inSentence } from '@/core/cleaning/inSentence';
import type { OwnKnowledge } from '@/core/cleaning/ladder';
import { ROUGHNESS } from '@/core/cleaning/roughness';
import { SURFACE_IDS, surfaceOf, type OwnSurface } from '@/core/cleaning/surfaces';
import { lowered, verdictOnAll, type CleaningVerdict } from '@/core/cleaning/verdicts';
import { Refusal } from '@/core/refusal';
import { database, inTransaction } from './connection';
import { appendLog } from './log';
import type { OwnVerdictRow, SinkStep, TubRow } from './rows';
import { addRow, findRow, findRows } from './table';

/** What this workshop has seen, forbidden and does not own. */
export async function ownKnowledge(transaction?: Transaction): Promise<OwnKnowledge> {
  const [steps, verdicts, off, agents, surfaces] = await Promise.all([
    findRows('sink_steps', {}, [['startedAt', 'ASC']], transaction),
    findRows('own_verdicts', {}, [['at', 'ASC']], transaction),
    findRows('agents_off', {}, undefined, transaction),
    findRows('own_agents', {}, [['addedAt', 'ASC']], transaction),
    findRows('own_surfaces', {}, [['addedAt', 'ASC']], transaction),
  ]);
  const tried = steps.flatMap(({ agent, soil, surface, outcome }) => (outcome === null ? [] : [{ agent, soil, surface, outcome }]));
  return { tried, verdicts, off: off.map(({ id }) => id), agents, surfaces };
}

/** Something was harmed: from now on this workshop is one step stricter with that agent on that surface. */
export async function lowerVerdict({ agent, surface, restorationId }: SinkStep, words: string, now: Date, transaction: Transaction): Promise<void> {
  const own = await ownKnowledge(transaction);
  const verdict = lowered(verdictOnAll(agent, [surface], own).verdict) as Exclude<CleaningVerdict, 'fine'>;
  const reason = `It harmed one here. ${words}`.trim();
  await addRow('own_verdicts', { agent, surface, verdict, reason, at: now.toISOString() }, transaction);
  await appendLog(
    {
      restorationId,
      stage: 'wash',
      kind: 'verdict',
      words: `From now on ${verdict}: ${agentOf(agent, own.agents).title} on ${inSentence(surfaceOf(surface, own.surfaces).title)}.`,
    },
    transaction,
    now,
  );
}

export const listTubs = (): Promise<TubRow[]> => findRows('tubs', {}, [['addedAt', 'ASC']]);

export async function addTub(tub: Pick<TubRow, 'name' | 'lengthMm' | 'widthMm' | 'depthMm'>, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const [taken] = await findRows('tubs', { name: tub.name }, undefined, transaction);
    if (taken) throw new Refusal('name', `There is a tub “${tub.name}” already. Give this one another name.`);
    await addRow('tubs', { ...tub, addedAt: now.toISOString() }, transaction);
    await appendLog(
      { restorationId: null, stage: null, kind: 'tub', words: `Tub ${tub.name}: ${tub.lengthMm} × ${tub.widthMm} × ${tub.depthMm} mm.` },
      transaction,
      now,
    );
  });
}

/** A verdict of the workshop's own. It can only make things stricter. */
export async function addOwnVerdict(given: Pick<OwnVerdictRow, 'agent' | 'surface' | 'verdict' | 'reason'>, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const { agents, surfaces } = await ownKnowledge(transaction);
    await addRow('own_verdicts', { ...given, at: now.toISOString() }, transaction);
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'verdict',
        words: `${given.verdict}: ${agentOf(given.agent, agents).title} on ${inSentence(surfaceOf(given.surface, surfaces).title)}. ${given.reason}`,
      },
      transaction,
      now,
    );
  });
}

/** Switches an agent off that is not owned or not wanted, or on again. */
export async function switchAgent(agent: AgentId, owned: boolean, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const { title } = agentOf(agent, (await ownKnowledge(transaction)).agents);
    const off = await findRow('agents_off', agent, transaction);
    if (owned === (off === null)) return;
    const { tables } = await database();
    if (owned) await tables.agents_off.destroy({ where: { id: agent }, transaction });
    else await addRow('agents_off', { id: agent, at: now.toISOString() }, transaction);
    await appendLog(
      { restorationId: null, stage: null, kind: 'agent', words: `${title} is ${owned ? 'here' : 'not in this workshop'}.` },
      transaction,
      now,
    );
  });
}

const sameTitle = (a: string) => (b: { title: string }) => a.toLocaleLowerCase() === b.title.toLocaleLowerCase();

/**
 * An agent of the workshop's own. What it may touch and meet follows from what it is made of.
 *
 * @throws Refusal where its name is taken, or where it claims to be gentler than what it is made of
 */
export async function addOwnAgent(given: Omit<OwnAgent, 'id' | 'source'>, now = new Date()): Promise<OwnAgent['id']> {
  return inTransaction(async (transaction) => {
    const { agents } = await ownKnowledge(transaction);
    if ([...AGENT_IDS.map((id) => agentOf(id)), ...agents].some(sameTitle(given.title)))
      throw new Refusal('title', `“${given.title}” is in the list already. Give yours a name of its own.`);
    const least = leastRoughness(given.families);
    if (given.roughness < least)
      throw new Refusal('roughness', `What is made of these is at least ${least} rough (${ROUGHNESS[least]}). Choose ${least} or more.`);
    const id: OwnAgent['id'] = `own-${randomUUID()}`;
    await addRow('own_agents', { ...given, id, source: 'this workshop', addedAt: now.toISOString() }, transaction);
    await appendLog(
      { restorationId: null, stage: null, kind: 'agent', words: `${given.title} was added: ${given.families.join(', ')}.`, data: { ...given, id } },
      transaction,
      now,
    );
    return id;
  });
}

/** A surface of the workshop's own, like one of the data set. @throws Refusal where its name is taken */
export async function addOwnSurface(given: Omit<OwnSurface, 'id'>, now = new Date()): Promise<OwnSurface['id']> {
  return inTransaction(async (transaction) => {
    const { surfaces } = await ownKnowledge(transaction);
    if ([...SURFACE_IDS.map((id) => surfaceOf(id)), ...surfaces].some(sameTitle(given.title)))
      throw new Refusal('title', `“${given.title}” is in the list already. Give yours a name of its own.`);
    const id: OwnSurface['id'] = `own-${randomUUID()}`;
    await addRow('own_surfaces', { ...given, id, addedAt: now.toISOString() }, transaction);
    const words = `${given.title} was added: it bears what ${inSentence(surfaceOf(given.like).title)} bears.`;
    await appendLog({ restorationId: null, stage: null, kind: 'surface', words, data: { ...given, id } }, transaction, now);
    return id;
  });
}
