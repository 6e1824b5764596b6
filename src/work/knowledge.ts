import { AGENT_IDS, type AgentId, type OwnAgent, agentOf, leastRoughness } from '@/core/materials/agents';
import { inSentence } from '@/core/materials/inSentence';
import { ROUGHNESS } from '@/core/materials/roughness';
import { type OwnSurface, SURFACE_IDS, surfaceOf } from '@/core/materials/surfaces';
import { type CleaningVerdict, lowered, verdictOnAll } from '@/core/materials/verdicts';
import { Refusal } from '@/core/refusal';
import { ownKnowledge } from '@/data/cleaning';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { OwnVerdictRow, SinkStep, TubRow } from '@/data/rows';
import { addRow, findRow, findRows, removeRows } from '@/data/table';
import { randomUUID } from 'node:crypto';

/** Something was harmed: from now on this workshop is one step stricter with that agent on that surface. */
export async function lowerVerdict(
  { agent, surface, restorationId }: SinkStep,
  words: string,
  now: Date,
): Promise<void> {
  const own = await ownKnowledge();
  const verdict = lowered(verdictOnAll(agent, [surface], own).verdict) as Exclude<CleaningVerdict, 'fine'>;
  const reason = `It harmed one here. ${words}`.trim();
  await addRow('own_verdicts', { agent, surface, verdict, reason, at: now.toISOString() });
  await appendLog(
    {
      restorationId,
      stage: 'wash',
      kind: 'verdict',
      words: `From now on ${verdict}: ${agentOf(agent, own.agents).title} on ${inSentence(surfaceOf(surface, own.surfaces).title)}.`,
    },
    now,
  );
}

export async function addTub(tub: Pick<TubRow, 'name' | 'lengthMm' | 'widthMm' | 'depthMm'>, now: Date): Promise<void> {
  await inTransaction(async () => {
    const [taken] = await findRows('tubs', { name: tub.name });
    if (taken) throw new Refusal('name', `There is a tub “${tub.name}” already. Give this one another name.`);
    await addRow('tubs', { ...tub, addedAt: now.toISOString() });
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'tub',
        words: `Tub ${tub.name}: ${tub.lengthMm} × ${tub.widthMm} × ${tub.depthMm} mm.`,
      },
      now,
    );
  });
}

/** A verdict of the workshop's own. It can only make things stricter. */
export async function addOwnVerdict(
  given: Pick<OwnVerdictRow, 'agent' | 'surface' | 'verdict' | 'reason'>,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const { agents, surfaces } = await ownKnowledge();
    await addRow('own_verdicts', { ...given, at: now.toISOString() });
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'verdict',
        words: `${given.verdict}: ${agentOf(given.agent, agents).title} on ${inSentence(surfaceOf(given.surface, surfaces).title)}. ${given.reason}`,
      },
      now,
    );
  });
}

/** Switches an agent off that is not owned or not wanted, or on again. */
export async function switchAgent(agent: AgentId, owned: boolean, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { title } = agentOf(agent, (await ownKnowledge()).agents);
    const off = await findRow('agents_off', agent);
    if (owned === (off === null)) return;
    if (owned) await removeRows('agents_off', { id: agent });
    else await addRow('agents_off', { id: agent, at: now.toISOString() });
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'agent',
        words: `${title} is ${owned ? 'here' : 'not in this workshop'}.`,
      },
      now,
    );
  });
}

/**
 * An agent of the workshop's own. What it may touch and meet follows from what it is made of.
 *
 * @throws Refusal where its name is taken, or where it claims to be gentler than what it is made of
 */
export async function addOwnAgent(given: Omit<OwnAgent, 'id' | 'source'>, now: Date): Promise<OwnAgent['id']> {
  return inTransaction(async () => {
    const { agents } = await ownKnowledge();
    if ([...AGENT_IDS.map((id) => agentOf(id)), ...agents].some(sameTitle(given.title)))
      throw new Refusal('title', `“${given.title}” is in the list already. Give yours a name of its own.`);
    const least = leastRoughness(given.families);
    if (given.roughness < least)
      throw new Refusal(
        'roughness',
        `What is made of these is at least ${least} rough (${ROUGHNESS[least]}). Choose ${least} or more.`,
      );
    const id: OwnAgent['id'] = `own-${randomUUID()}`;
    await addRow('own_agents', { ...given, id, source: 'this workshop', addedAt: now.toISOString() });
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'agent',
        words: `${given.title} was added: ${given.families.join(', ')}.`,
        data: { ...given, id },
      },
      now,
    );
    return id;
  });
}

/** A surface of the workshop's own, like one of the data set. @throws Refusal where its name is taken */
export async function addOwnSurface(given: Omit<OwnSurface, 'id'>, now: Date): Promise<OwnSurface['id']> {
  return inTransaction(async () => {
    const { surfaces } = await ownKnowledge();
    if ([...SURFACE_IDS.map((id) => surfaceOf(id)), ...surfaces].some(sameTitle(given.title)))
      throw new Refusal('title', `“${given.title}” is in the list already. Give yours a name of its own.`);
    const id: OwnSurface['id'] = `own-${randomUUID()}`;
    await addRow('own_surfaces', { ...given, id, addedAt: now.toISOString() });
    const words = `${given.title} was added: it bears what ${inSentence(surfaceOf(given.like).title)} bears.`;
    await appendLog({ restorationId: null, stage: null, kind: 'surface', words, data: { ...given, id } }, now);
    return id;
  });
}

const sameTitle = (a: string) => (b: { title: string }) => a.toLocaleLowerCase() === b.title.toLocaleLowerCase();
