import { doneBy } from '../teardown';
import { lastClosingTest, stateOf } from './state';
import { testHoldWords } from './words';
import { Refusal } from '@/core/refusal';
import { testState } from '@/core/runsheet/functionTest';
import { showMinutes } from '@/core/runsheet/time';
import { closingScrews } from '@/core/teardown/closing';
import { WAY_ROUND } from '@/core/teardown/joints';
import { explainMissing, holeDepth, lotWords, outstanding, returnToHole } from '@/core/teardown/lots';
import { COVERS_NOTHING } from '@/core/teardown/reach';
import { inTransaction } from '@/data/connection';
import { askedFor } from '@/data/findings';
import { appendLog } from '@/data/log';
import type { Piece, RemovalStep } from '@/data/rows';
import { changeRow, findRows, needRow } from '@/data/table';
import { teardownOf } from '@/data/teardown';
import { Op } from 'sequelize';

/**
 * Fasteners of a lot go back into their holes.
 *
 * @param expected how many were back when the screen was drawn: a second tab cannot count the same screw again
 */
export async function tickLot(
  lotId: string,
  count: number,
  lengthMm: number,
  expected: number,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const lot = await needRow('lots', lotId);
    if (lot.returned !== expected)
      throw new Refusal(
        'count',
        `This lot was ticked meanwhile on another screen: ${lot.returned} of ${lot.count} are back. Nothing was counted twice.`,
      );
    const after = returnToHole(stateOf(lot), count, lengthMm, holeDepth(lot, lot.deepestMm));
    await changeRow('lots', { id: lotId }, { returned: after.returned });
    await appendLog(
      {
        restorationId: lot.restorationId,
        stage: 'rebuild',
        kind: 'lot',
        words: `Back: ${after.returned} of ${lotWords(lot)}.`,
        data: { lotId, count, lengthMm },
      },
      now,
    );
  });
}

/** Says what became of fasteners that do not come back: lost, replaced by others, or swapped. */
export async function explainLot(lotId: string, count: number, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const lot = await needRow('lots', lotId);
    if (!words) throw new Refusal('words', 'Say in a few words what became of them; it goes into the record.');
    const after = explainMissing(stateOf(lot), count);
    await changeRow(
      'lots',
      { id: lotId },
      { missing: after.missing, words: lot.words ? `${lot.words}; ${words}` : words },
    );
    await appendLog(
      {
        restorationId: lot.restorationId,
        stage: 'rebuild',
        kind: 'lot',
        words: `${count} of ${lotWords(lot)}: ${words}.`,
        data: { lotId, count },
      },
      now,
    );
  });
}

export async function tickConnection(connectionId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const connection = await needRow('connections', connectionId);
    if (connection.tickedAt !== null) return;
    await changeRow('connections', { id: connectionId }, { tickedAt: now.toISOString() });
    await appendLog(
      {
        restorationId: connection.restorationId,
        stage: 'rebuild',
        kind: 'connection',
        words: `Connected: ${connection.kind}. ${connection.way}`,
        data: { connectionId },
      },
      now,
    );
  });
}

/**
 * A step goes on again. @throws Refusal while one that must be on before it is off, or something of it is out
 */
export async function putOn(
  { stepId, words, by = '' }: { stepId: string; words: string; by?: string },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const step = await needRow('removal_steps', stepId);
    if (step.onAt !== null)
      throw new Refusal(
        'stepId',
        `“${step.name}” is on already, perhaps ticked on another screen. Nothing was counted twice.`,
      );
    const { steps, lots, connections, blocks } = await teardownOf(step.restorationId);
    const missing = blocks
      .filter(({ thenId }) => thenId === stepId)
      .map(({ firstId }) => steps.find(({ id }) => id === firstId)!)
      .filter(({ onAt }) => onAt === null);
    if (missing.length > 0)
      throw new Refusal(
        'stepId',
        `${missing.map(({ name }) => `“${name}”`).join(' and ')} must be on before “${step.name}”, or you take it off again.`,
      );
    const open = lots.filter((lot) => lot.stepId === stepId && outstanding(stateOf(lot)) > 0);
    if (open.length > 0)
      throw new Refusal(
        'stepId',
        `Still out: ${open.map((lot) => lotWords({ ...lot, count: outstanding(stateOf(lot)) })).join('; ')}. Tick them or say what became of them.`,
      );
    const loose = connections.filter((connection) => connection.stepId === stepId && connection.tickedAt === null);
    if (loose.length > 0)
      throw new Refusal('stepId', `Not connected yet: ${loose.map(({ kind, way }) => `${kind} (${way})`).join('; ')}.`);
    if (WAY_ROUND.includes(step.joint) && !connections.some((connection) => connection.stepId === stepId))
      throw new Refusal(
        'stepId',
        `“${step.name}” has no way round on record. Look at its photograph, and write it down under Teardown before it goes on.`,
      );
    await nothingWet(step, now);
    await nothingOpenUnder(step, steps);
    if (closingScrews(steps).includes(stepId)) {
      const verdict = testState(await lastClosingTest(step.restorationId));
      if (verdict !== 'passed' && verdict !== 'waived')
        throw new Refusal(
          'stepId',
          `${testHoldWords(verdict)} The test comes before the screws: afterwards all of them come out again.`,
        );
    }
    await changeRow(
      'removal_steps',
      { id: stepId, onAt: null },
      { onAt: now.toISOString(), onWords: words || null, onBy: by },
    );
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'rebuild',
        kind: 'on',
        words: `On: ${step.name}. ${words}`.trim() + doneBy(by),
        data: { stepId },
      },
      now,
    );
  });
}

/** A step comes off once more: its fasteners and connections are out again. */
export async function takeOffAgain(stepId: string, why: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const step = await needRow('removal_steps', stepId);
    if (step.onAt === null) throw new Refusal('stepId', `“${step.name}” is off already.`);
    await changeRow('removal_steps', { id: stepId }, { onAt: null, onWords: null, onBy: '' });
    await changeRow('lots', { stepId }, { returned: 0 });
    await changeRow('connections', { stepId }, { tickedAt: null });
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'rebuild',
        kind: 'on',
        words: `Off again: ${step.name}. ${why}`.trim(),
        data: { stepId },
      },
      now,
    );
  });
}

/** @throws Refusal while the piece dries, or something on it cures */
async function nothingWet(step: RemovalStep, now: Date): Promise<void> {
  const piece = await pieceOf(step);
  if (!piece) return;
  const timers = await findRows('timers', {
    pieceId: piece.id,
    endedAt: null,
    plannedTo: null,
    dueAt: { [Op.gt]: now.toISOString() },
  });
  const [wet] = timers.filter(({ kind }) => kind !== 'exposure');
  if (wet) {
    const minutes = Math.ceil((Date.parse(wet.dueAt) - now.getTime()) / 60_000);
    throw new Refusal(
      'stepId',
      `${wet.label} is not through: ${showMinutes(minutes)} to go. Let it, or end its timer on the bench if it is.`,
    );
  }
}

/** @throws Refusal where a cover would go over what still asks for work: the piece itself, or what lies inside it */
async function nothingOpenUnder(step: RemovalStep, steps: readonly RemovalStep[]): Promise<void> {
  if (COVERS_NOTHING.includes(step.joint)) return;
  const inside = await Promise.all([step, ...steps.filter(({ position }) => position > step.position)].map(pieceOf));
  const asked = [...(await askedFor(step.restorationId)).values()].flat();
  for (const piece of inside)
    for (const { pieceId, kind, words } of asked)
      if (piece && pieceId === piece.id)
        throw new Refusal(
          'stepId',
          `Still open on ${piece.tag} ${piece.name}: ${[kind, words].filter(Boolean).join(', ')}. “${step.name}” would cover it. Close it, or leave it on purpose and say why.`,
        );
}

/** The tagged piece that a step is: as somebody said, else the one of its name. */
async function pieceOf({ restorationId, pieceId, name }: RemovalStep): Promise<Piece | null> {
  const pieces = await findRows('pieces', { restorationId });
  return (
    pieces.find(({ id }) => id === pieceId) ??
    pieces.find((piece) => piece.name.toLowerCase() === name.toLowerCase()) ??
    null
  );
}
