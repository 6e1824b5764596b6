import type { AgentId } from '@/core/materials/agents';
import type { Outcome } from '@/core/cleaning/outcomes';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { addFinding } from '../findings';
import { named } from '../names';
import type { Piece } from '@/data/rows';
import { changeRow, findRows } from '@/data/table';
import { piecesOf } from '@/data/pieces';
import { beginPass, endPass } from './pass';
import { type WashSpot, washSpots } from './spots';

/** Finds what a bath of a piece goes over: its spots that the agent may take; general grime where nobody named any. */
async function spotsFor(piece: Piece, agent: AgentId, now: Date): Promise<WashSpot[]> {
  const { restorationId, id: pieceId } = piece;
  const own = async () =>
    (await washSpots(restorationId)).filter(({ finding }) => finding.pieceId === pieceId && finding.settledAs === null);
  const open = await own();
  // What nobody named yet is grime until the bath has shown what is under it.
  for (const { finding } of open)
    if (finding.soil === null && finding.kind === 'soiled')
      await changeRow('findings', { id: finding.id }, { soil: 'general-grime' });
  if (open.length === 0) {
    const found = {
      restorationId,
      pieceId,
      stage: 'wash',
      kind: 'soiled',
      words: 'general grime',
      severity: 'plain',
    } as const;
    const { id } = await addFinding(found, now);
    await changeRow('findings', { id }, { soil: 'general-grime' });
  }
  const spots = await own();
  const borne = spots.filter(
    // Where more lies in it than this spot, a soak pays that this spot alone would not ask for.
    ({ ladder, running }) =>
      running === null &&
      (ladder?.rungs.some((rung) => rung.agent === agent) ||
        ladder?.ruledOut.some((out) => out.agent === agent && out.because === 'together')),
  );
  if (borne.length > 0) return borne;
  const why = spots.flatMap(({ ladder }) => ladder?.ruledOut.filter((out) => out.agent === agent) ?? [])[0]?.why;
  throw new Refusal(
    'pieceIds',
    `${named(piece)} does not go in. ${why ?? 'It is at the sink already, or nothing on it asks for a bath.'}`,
  );
}

/**
 * The bath first: pieces of one machine together into warm soapy water, or under the hose, with one timer.
 *
 * @throws Refusal for a piece that may not go in, with the reason; nothing is begun then
 */
export async function startBath(
  restorationId: string,
  pieceIds: readonly string[],
  agent: AgentId,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const pieces = (await piecesOf(restorationId)).filter(({ id }) => pieceIds.includes(id));
    if (pieces.length === 0) throw new Refusal('pieceIds', 'Choose what goes into the water.');
    const spotsOf = async () => {
      const spots = [];
      for (const piece of pieces) spots.push(await spotsFor(piece, agent, now));
      return spots;
    };
    await beginPass(agent, pieces, restorationId, spotsOf, { bench: 'agent', owner: 'pieceIds' }, now);
  });
}

/**
 * What came of a bath, piece by piece.
 *
 * @throws Refusal where one was answered already
 */
export async function endBath(
  restorationId: string,
  came: readonly { pieceId: string; outcome: Exclude<Outcome, 'harmed'> }[],
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    for (const { pieceId, outcome } of came) {
      const steps = await findRows('sink_steps', { restorationId, pieceId, endedAt: null });
      if (steps.length === 0)
        throw new Refusal(
          'came',
          'One of these was answered already, perhaps on another screen. Look again; nothing was counted twice.',
        );
      for (const { id } of steps) await endPass(id, outcome, '', now);
    }
  });
}
