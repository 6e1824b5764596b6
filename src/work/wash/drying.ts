import { agentOf } from '@/core/materials/agents';
import { dryAt, dryHours, type Drying } from '@/core/cleaning/drying';
import { surfacesOfPiece } from '@/core/materials/pieceSurfaces';
import { surfaceOf } from '@/core/materials/surfaces';
import { Refusal } from '@/core/refusal';
import { ownKnowledge } from '@/data/cleaning';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { Piece, SinkStep } from '@/data/rows';
import { changeRow, findRow, findRows, needRow } from '@/data/table';
import { addTimer } from '../timers';

/** The room that something dries in. */
export type Room = Pick<Drying, 'temperatureC' | 'humidity' | 'airing'>;

const USUAL_ROOM: Room = { temperatureC: 20, humidity: 0.5, airing: false };

async function dryUntil({ agent, endedAt }: Pick<SinkStep, 'agent' | 'endedAt'>, piece: Piece, room: Room) {
  const { agents, surfaces } = await ownKnowledge();
  const wet = { surfaces: surfacesOfPiece(piece).map((id) => surfaceOf(id, surfaces)), hollow: piece.hollow, ...room };
  const hours = dryHours(agentOf(agent, agents), wet);
  return { hours, dueAt: dryAt(new Date(endedAt!), hours).toISOString() };
}

/** A piece that came out of the wet dries by the clock; until then the case is not closed over it. */
export async function startDrying({ agent, pieceId, restorationId }: SinkStep, now: Date): Promise<void> {
  const piece = pieceId === null ? null : await findRow('pieces', pieceId);
  if (!piece) return;
  const { hours, dueAt } = await dryUntil({ agent, endedAt: now.toISOString() }, piece, USUAL_ROOM);
  if (hours < 0.25) return;
  const label = `${piece.tag} ${piece.name}: drying`;
  const [drying] = await findRows('timers', { restorationId, pieceId: piece.id, kind: 'drying', endedAt: null });
  if (drying && drying.dueAt >= dueAt) return;
  if (drying) await changeRow('timers', { id: drying.id }, { dueAt });
  else
    await addTimer(
      {
        restorationId,
        pieceId: piece.id,
        kind: 'drying',
        label,
        atTheBell: 'Shake it, look into hollow parts, and feel it before metal or boards go back.',
        dueAt,
      },
      now,
    );
  await appendLog(
    { restorationId, stage: 'wash', kind: 'drying', words: `${label}, about ${Math.round(hours)} h.` },
    now,
  );
}

/** Works the drying of a piece out again for the room that it really dries in, from when it came out of the wet. */
export async function dryIn(timerId: string, room: Room, now: Date): Promise<void> {
  await inTransaction(async () => {
    const timer = await needRow('timers', timerId);
    const piece = timer.pieceId === null ? null : await findRow('pieces', timer.pieceId);
    if (!piece || timer.endedAt !== null || timer.kind !== 'drying')
      throw new Refusal('timerId', 'This piece is not drying any more.');
    const steps = await findRows('sink_steps', { pieceId: piece.id, restorationId: timer.restorationId });
    const ended = steps.filter(({ endedAt }) => endedAt !== null);
    const ends = await Promise.all(ended.map(async (step) => (await dryUntil(step, piece, room)).dueAt));
    const dueAt = ends.sort().at(-1) ?? timer.dueAt;
    await changeRow('timers', { id: timerId }, { dueAt });
    const words = `${timer.label} at ${room.temperatureC} °C and ${Math.round(100 * room.humidity)} %${room.airing ? ', in moving air' : ''}.`;
    await appendLog(
      {
        restorationId: timer.restorationId,
        stage: 'wash',
        kind: 'drying',
        words,
        data: { timerId, room, before: timer.dueAt },
      },
      now,
    );
  });
}
