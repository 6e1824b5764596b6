import { closingHolds, type Hold } from '@/core/teardown/closing';
import { explainMissing, holeDepth, lotWords, outstanding, returnToHole, type Lot, type LotState } from '@/core/teardown/lots';
import { numberSteps } from '@/core/teardown/order';
import { nextCell } from '@/core/teardown/tray';
import { Refusal } from '@/core/refusal';
import { testState } from '@/core/runsheet/functionTest';
import type { Transaction } from 'sequelize';
import { database, inTransaction } from './connection';
import { appendLog } from './log';
import type { BlockRow, ConnectionRow, LotRow, RemovalStep, Tray } from './rows';
import { addRow, changeRow, findRows, needRow } from './table';

/** A teardown whole: steps in the order taken off, with what belongs to them. */
export interface Teardown {
  steps: RemovalStep[];
  lots: LotRow[];
  connections: ConnectionRow[];
  blocks: BlockRow[];
}

export async function teardownOf(restorationId: string, transaction?: Transaction): Promise<Teardown> {
  const of = { restorationId };
  const steps = await findRows('removal_steps', of, [['position', 'ASC']], transaction);
  const lots = await findRows('lots', of, [['rowid', 'ASC']], transaction);
  const connections = await findRows('connections', of, [['rowid', 'ASC']], transaction);
  const blocks = await findRows('blocks', of, [['rowid', 'ASC']], transaction);
  return { steps, lots, connections, blocks };
}

const stateOf = (row: LotRow): LotState => ({ lot: row, returned: row.returned, missing: row.missing });

type NewStep = Pick<RemovalStep, 'restorationId' | 'name' | 'joint' | 'way' | 'springs'> & { by?: string };

/** Who did it, where somebody said so. */
const doneBy = (by: string) => (by ? ` (${by})` : '');

/** The next thing off. */
export async function takeOff({ by = '', ...step }: NewStep, now = new Date()): Promise<RemovalStep> {
  return inTransaction(async (transaction) => {
    await needRow('restorations', step.restorationId, transaction);
    const { steps } = await teardownOf(step.restorationId, transaction);
    const same = steps.find(({ name }) => name.toLowerCase() === step.name.toLowerCase());
    if (same)
      throw new Refusal(
        'name',
        `“${same.name}” came off already, as number ${same.position}. Give this one a name of its own, like “${step.name}, left”.`,
      );
    const position = (steps[steps.length - 1]?.position ?? 0) + 1;
    const added = await addRow(
      'removal_steps',
      { ...step, position, photoId: null, pins: [], removedAt: now.toISOString(), onAt: null, onWords: null, offBy: by, onBy: '' },
      transaction,
    );
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'teardown',
        kind: 'off',
        words: `${position}. Off: ${step.name}. ${step.way}`.trim() + doneBy(by),
        data: { stepId: added.id },
      },
      transaction,
      now,
    );
    return added;
  });
}

/** Takes a step back that was written by mistake. @throws Refusal while others lean on it or it is on again */
export async function forgetStep(stepId: string): Promise<void> {
  await inTransaction(async (transaction) => {
    const step = await needRow('removal_steps', stepId, transaction);
    const { steps, lots, connections, blocks } = await teardownOf(step.restorationId, transaction);
    const leaning = blocks.filter(({ firstId, thenId }) => firstId === stepId || thenId === stepId);
    const nameOf = (id: string) => steps.find((s) => s.id === id)?.name ?? '';
    if (leaning.length > 0) {
      const others = leaning.map(({ firstId, thenId }) => nameOf(firstId === stepId ? thenId : firstId)).join(', ');
      throw new Refusal('stepId', `Blocks lean on “${step.name}”: ${others}. Take those blocks away first.`);
    }
    if (step.onAt !== null) throw new Refusal('stepId', `“${step.name}” is on again already. It stays in the record.`);
    const { tables } = await database();
    await tables.lots.destroy({ where: { stepId }, transaction });
    await tables.connections.destroy({ where: { stepId }, transaction });
    await tables.removal_steps.destroy({ where: { id: stepId }, transaction });
    const own = { step, lots: lots.filter((lot) => lot.stepId === stepId), connections: connections.filter((c) => c.stepId === stepId) };
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'teardown',
        kind: 'off',
        words: `Taken back: ${step.position}. ${step.name}. It had not come off.`,
        data: own,
      },
      transaction,
    );
  });
}

/** Puts a photograph to a step, with pins where the fasteners sat. */
export async function pinStep(stepId: string, photoId: string, pins: RemovalStep['pins']): Promise<void> {
  await inTransaction(async (transaction) => {
    const step = await needRow('removal_steps', stepId, transaction);
    const photo = await needRow('photos', photoId, transaction);
    if (photo.restorationId !== step.restorationId)
      throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this.');
    await changeRow('removal_steps', { id: stepId }, { photoId, pins }, transaction);
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'teardown',
        kind: 'off',
        words: `${step.name}: photograph ${photo.originalName}, ${pins.length} pins.`,
        data: { stepId, photoId, pins },
      },
      transaction,
    );
  });
}

/** Adds a lot of fasteners to a step and gives it the next free cell of the tray. */
export async function addLot(stepId: string, lot: Lot, deepestMm: number | null, now = new Date()): Promise<LotRow> {
  return inTransaction(async (transaction) => {
    const step = await needRow('removal_steps', stepId, transaction);
    const { lots } = await teardownOf(step.restorationId, transaction);
    const trays = await findRows('trays', {}, [['addedAt', 'ASC']], transaction);
    const place = trays.flatMap((tray) => {
      const taken = lots.flatMap((known) => (known.tray === tray.name && known.cell !== null ? [known.cell] : []));
      const cell = nextCell(taken, tray);
      return cell === null ? [] : [{ tray: tray.name, cell }];
    })[0] ?? { tray: '', cell: null };
    const row = { ...lot, ...place, restorationId: step.restorationId, stepId, deepestMm, returned: 0, missing: 0, words: '' };
    const added = await addRow('lots', row, transaction);
    await appendLog(
      { restorationId: step.restorationId, stage: 'teardown', kind: 'lot', words: `${step.name}: ${lotWords(lot)}.`, data: { lotId: added.id } },
      transaction,
      now,
    );
    return added;
  });
}

/** Corrects how many a lot holds, as they are counted. @throws Refusal below what is back already */
export async function recount(lotId: string, count: number): Promise<void> {
  await inTransaction(async (transaction) => {
    const lot = await needRow('lots', lotId, transaction);
    if (count < lot.returned + lot.missing)
      throw new Refusal('count', `${lot.returned + lot.missing} of this lot are back or explained already; it cannot have fewer.`);
    await changeRow('lots', { id: lotId }, { count }, transaction);
    await appendLog(
      {
        restorationId: lot.restorationId,
        stage: 'teardown',
        kind: 'lot',
        words: `Counted: ${lotWords({ ...lot, count })}.`,
        data: { lotId, before: lot.count },
      },
      transaction,
    );
  });
}

export async function addConnection(connection: Pick<ConnectionRow, 'stepId' | 'kind' | 'way'>): Promise<ConnectionRow> {
  return inTransaction(async (transaction) => {
    const { restorationId, name } = await needRow('removal_steps', connection.stepId, transaction);
    const added = await addRow('connections', { ...connection, restorationId, tickedAt: null }, transaction);
    await appendLog(
      {
        restorationId,
        stage: 'teardown',
        kind: 'connection',
        words: `${name}: ${connection.kind} undone. ${connection.way}`,
        data: { connectionId: added.id },
      },
      transaction,
    );
    return added;
  });
}

/** `first` must be on before `then`. @throws Refusal for a block of a step on itself, or one that stands already */
export async function addBlock(firstId: string, thenId: string, why: string): Promise<void> {
  await inTransaction(async (transaction) => {
    const first = await needRow('removal_steps', firstId, transaction);
    const then = await needRow('removal_steps', thenId, transaction);
    if (firstId === thenId) numberSteps([first.name], [{ first: first.name, then: then.name }]);
    const { blocks } = await teardownOf(first.restorationId, transaction);
    if (blocks.some((block) => block.firstId === firstId && block.thenId === thenId)) throw new Refusal('thenId', 'This block stands already.');
    await addRow('blocks', { restorationId: first.restorationId, firstId, thenId, why }, transaction);
    await appendLog(
      {
        restorationId: first.restorationId,
        stage: 'teardown',
        kind: 'block',
        words: `“${first.name}” must be on before “${then.name}”. ${why}`.trim(),
      },
      transaction,
    );
  });
}

export async function removeBlock(blockId: string): Promise<void> {
  await inTransaction(async (transaction) => {
    const block = await needRow('blocks', blockId, transaction);
    const [first, then] = [await needRow('removal_steps', block.firstId, transaction), await needRow('removal_steps', block.thenId, transaction)];
    const { tables } = await database();
    await tables.blocks.destroy({ where: { id: blockId }, transaction });
    await appendLog(
      {
        restorationId: block.restorationId,
        stage: 'teardown',
        kind: 'block',
        words: `Block taken away: “${first.name}” before “${then.name}”.`,
        data: block,
      },
      transaction,
    );
  });
}

export const listTrays = (): Promise<Tray[]> => findRows('trays', {}, [['addedAt', 'ASC']]);

export async function addTray(tray: Pick<Tray, 'name' | 'columns' | 'rows'>, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const [taken] = await findRows('trays', { name: tray.name }, undefined, transaction);
    if (taken) throw new Refusal('name', `There is a tray “${tray.name}” already. Give this one another name.`);
    await addRow('trays', { ...tray, addedAt: now.toISOString() }, transaction);
    await appendLog(
      { restorationId: null, stage: null, kind: 'tray', words: `Tray ${tray.name}: ${tray.columns} by ${tray.rows} cells.` },
      transaction,
      now,
    );
  });
}

/**
 * Fasteners of a lot go back into their holes.
 *
 * @param expected how many were back when the screen was drawn: a second tab cannot count the same screw again
 */
export async function tickLot(lotId: string, count: number, lengthMm: number, expected: number, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const lot = await needRow('lots', lotId, transaction);
    if (lot.returned !== expected)
      throw new Refusal(
        'count',
        `This lot was ticked meanwhile on another screen: ${lot.returned} of ${lot.count} are back. Nothing was counted twice.`,
      );
    const after = returnToHole(stateOf(lot), count, lengthMm, holeDepth(lot, lot.deepestMm));
    await changeRow('lots', { id: lotId }, { returned: after.returned }, transaction);
    await appendLog(
      {
        restorationId: lot.restorationId,
        stage: 'rebuild',
        kind: 'lot',
        words: `Back: ${after.returned} of ${lotWords(lot)}.`,
        data: { lotId, count, lengthMm },
      },
      transaction,
      now,
    );
  });
}

/** Says what became of fasteners that do not come back: lost, replaced by others, or swapped. */
export async function explainLot(lotId: string, count: number, words: string, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const lot = await needRow('lots', lotId, transaction);
    if (!words) throw new Refusal('words', 'Say in a few words what became of them; it goes into the record.');
    const after = explainMissing(stateOf(lot), count);
    await changeRow('lots', { id: lotId }, { missing: after.missing, words: lot.words ? `${lot.words}; ${words}` : words }, transaction);
    await appendLog(
      { restorationId: lot.restorationId, stage: 'rebuild', kind: 'lot', words: `${count} of ${lotWords(lot)}: ${words}.`, data: { lotId, count } },
      transaction,
      now,
    );
  });
}

export async function tickConnection(connectionId: string, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const connection = await needRow('connections', connectionId, transaction);
    if (connection.tickedAt !== null) return;
    await changeRow('connections', { id: connectionId }, { tickedAt: now.toISOString() }, transaction);
    await appendLog(
      {
        restorationId: connection.restorationId,
        stage: 'rebuild',
        kind: 'connection',
        words: `Connected: ${connection.kind}. ${connection.way}`,
        data: { connectionId },
      },
      transaction,
      now,
    );
  });
}

/**
 * A step goes on again. @throws Refusal while one that must be on before it is off, or something of it is out
 */
export async function putOn({ stepId, words, by = '' }: { stepId: string; words: string; by?: string }, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const step = await needRow('removal_steps', stepId, transaction);
    if (step.onAt !== null) throw new Refusal('stepId', `“${step.name}” is on already, perhaps ticked on another screen. Nothing was counted twice.`);
    const { steps, lots, connections, blocks } = await teardownOf(step.restorationId, transaction);
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
    if (loose.length > 0) throw new Refusal('stepId', `Not connected yet: ${loose.map(({ kind, way }) => `${kind} (${way})`).join('; ')}.`);
    await changeRow('removal_steps', { id: stepId, onAt: null }, { onAt: now.toISOString(), onWords: words || null, onBy: by }, transaction);
    await appendLog(
      { restorationId: step.restorationId, stage: 'rebuild', kind: 'on', words: `On: ${step.name}. ${words}`.trim() + doneBy(by), data: { stepId } },
      transaction,
      now,
    );
  });
}

/** A step comes off once more: its fasteners and connections are out again. */
export async function takeOffAgain(stepId: string, why: string): Promise<void> {
  await inTransaction(async (transaction) => {
    const step = await needRow('removal_steps', stepId, transaction);
    if (step.onAt === null) throw new Refusal('stepId', `“${step.name}” is off already.`);
    await changeRow('removal_steps', { id: stepId }, { onAt: null, onWords: null, onBy: '' }, transaction);
    await changeRow('lots', { stepId }, { returned: 0 }, transaction);
    await changeRow('connections', { stepId }, { tickedAt: null }, transaction);
    await appendLog(
      { restorationId: step.restorationId, stage: 'rebuild', kind: 'on', words: `Off again: ${step.name}. ${why}`.trim(), data: { stepId } },
      transaction,
    );
  });
}

/** Why the case may not be closed yet. A restoration without a recorded teardown has nothing to hold it. */
export async function holdsOf(restorationId: string, now: Date, transaction?: Transaction): Promise<Hold[]> {
  const { steps, lots, connections } = await teardownOf(restorationId, transaction);
  if (steps.length === 0) return [];
  const nameOf = (stepId: string) => steps.find(({ id }) => id === stepId)?.name ?? '';
  const tests = await findRows('function_tests', { restorationId, phase: 'before closing' }, [['at', 'ASC']], transaction);
  const last = tests[tests.length - 1];
  const timers = await findRows('timers', { restorationId, endedAt: null }, undefined, transaction);
  return closingHolds(
    {
      lots: lots.map((lot) => ({ ...stateOf(lot), name: `${nameOf(lot.stepId)}, ${lotWords(lot)}` })),
      connections: connections.map(({ stepId, kind, tickedAt }) => ({ name: `${nameOf(stepId)}, ${kind}`, ticked: tickedAt !== null })),
      curing: timers.map(({ label, dueAt }) => ({ name: label, readyAt: new Date(dueAt) })),
      functionTest: testState(last),
      stepsOff: steps.filter(({ onAt }) => onAt === null).map(({ name }) => name),
    },
    now,
  );
}
