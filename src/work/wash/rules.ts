import { Op } from 'sequelize';
import { agentOf } from '@/core/materials/agents';
import { inSentence } from '@/core/materials/inSentence';
import { Refusal } from '@/core/refusal';
import { ownKnowledge } from '@/data/cleaning';
import type { Piece } from '@/data/rows';
import { countRows, findRows } from '@/data/table';
import { named } from '../names';
import type { StageRules } from '../stageRules';
import { washSpots, type WashSpot } from './spots';

/** Passes that nobody has answered, each with where it is. */
async function atTheSink(of: { restorationId?: string }): Promise<{ agent: string; place: string }[]> {
  const { agents } = await ownKnowledge();
  const steps = await findRows('sink_steps', { ...of, endedAt: null });
  const pieces = await findRows('pieces', { id: steps.flatMap(({ pieceId }) => pieceId ?? []) });
  return steps.map(({ agent, pieceId }) => ({
    agent: inSentence(agentOf(agent, agents).title),
    place: pieces.find(({ id }) => id === pieceId)?.tag ?? 'the machine',
  }));
}

export const washRules: StageRules = {
  async onBench() {
    const { agents } = await ownKnowledge();
    const steps = await findRows('sink_steps', { endedAt: null });
    const places = await atTheSink({});
    return steps.map((step, i) => ({
      name: `${places[i]!.agent} on ${places[i]!.place}`,
      families: agentOf(step.agent, agents).families,
    }));
  },
  isBegun: async (restorationId) => (await countRows('sink_steps', { restorationId })) > 0,
  goesOn: async (restorationId) => (await atTheSink({ restorationId })).length > 0,
  async mayBeMarked(restorationId, { state }) {
    if (state === 'open') return;
    const [first] = await atTheSink({ restorationId });
    if (first)
      throw new Refusal('state', `Still at the sink: ${first.agent} on ${first.place}. Say first what came of it.`);
  },
};

/**
 * Holds a piece back from brightening while dirt on it, or on the machine as a whole, would shadow the yellow; and while
 * no step of the wash has touched it, unless the wash is settled.
 *
 * @throws Refusal that names what is left
 */
export async function needsWashed(piece: Piece): Promise<void> {
  const { restorationId } = piece;
  const open = (await washSpots(restorationId)).filter(
    ({ finding: { pieceId, settledAs } }) => settledAs === null && (pieceId === piece.id || pieceId === null),
  );
  const nameOf = ({ finding: { words, kind, pieceId } }: WashSpot) =>
    `${words || kind}${pieceId === null ? ' (the whole machine)' : ''}`;
  if (open.length > 0)
    throw new Refusal(
      'pieceId',
      `${named(piece)} is not washed yet: ${open.map(nameOf).join('; ')}. Dirt that is left hides yellow from the peroxide. Wash it, or leave it on purpose and say why.`,
    );
  const [stage] = await findRows('stages', { restorationId, stage: 'wash' });
  if (stage?.state !== 'open') return;
  const touched = await findRows(
    'sink_steps',
    { restorationId, pieceId: [piece.id, null], endedAt: { [Op.not]: null } },
    undefined,
    1,
  );
  if (touched.length === 0)
    throw new Refusal(
      'pieceId',
      `Nothing was washed off ${named(piece)} yet, and dirt hides yellow from the peroxide. Bathe it under Wash, or mark the wash as not needed with your reason.`,
    );
}
