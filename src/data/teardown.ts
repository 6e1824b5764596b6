import { closingHolds, type Hold } from '@/core/teardown/closing';
import { explainMissing, holeDepth, lotWords, outstanding, returnToHole, type Lot, type LotState } from '@/core/teardown/lots';
import { numberSteps } from '@/core/teardown/order';
import { nextCell } from '@/core/teardown/tray';
import { Refusal } from '@/core/refusal';
import { testState } from '@/core/runsheet/functionTest';
import { inTransaction } from './connection';
import { appendLog } from './log';
import type { BlockRow, ConnectionRow, LotRow, RemovalStep, Tray } from './rows';
import { addRow, changeRow, findRows, needRow, removeRows } from './table';

/** A teardown whole: steps in the order taken off, with what belongs to them. */
export interface Teardown {
  steps: RemovalStep[];
  lots: LotRow[];
  connections: ConnectionRow[];
  blocks: BlockRow[];
}

export async function teardownOf(restorationId: string): Promise<Teardown> {
  const of = { restorationId };
  const steps = await findRows('removal_steps', of, [['position', 'ASC']]);
  const lots = await findRows('lots', of, [['rowid', 'ASC']]);
  const connections = await findRows('connections', of, [['rowid', 'ASC']]);
  const blocks = await findRows('blocks', of, [['rowid', 'ASC']]);
  return { steps, lots, connections, blocks };
}

const stateOf = (row: LotRow): LotState => ({ lot: row, returned: row.returned, missing: row.missing });

type NewStep = Pick<RemovalStep, 'restorationId' | 'name' | 'joint' | 'way' | 'springs'> & { by?: string };

/** Who did it, where somebody said so. */
const doneBy = (by: string) => (by ? ` (${by})` : '');

/** The next thing off. */
export async function takeOff({ by = '', ...step }: NewStep, now: Date): Promise<RemovalStep> {
  return inTransaction(async () => {
    await needRow('restorations', step.restorationId);
    const { steps } = await teardownOf(step.restorationId);
    const same = steps.find(({ name }) => name.toLowerCase() === step.name.toLowerCase());
    if (same)
      throw new Refusal(
        'name',
        `“${same.name}” came off already, as number ${same.position}. Give this one a name of its own, like “${step.name}, left”.`,
      );
    const position = (steps[steps.length - 1]?.position ?? 0) + 1;
    const added = await addRow('removal_steps', {
      ...step,
      position,
      photoId: null,
      pins: [],
      removedAt: now.toISOString(),
      onAt: null,
      onWords: null,
      offBy: by,
      onBy: '',
    });
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'teardown',
        kind: 'off',
        words: `${position}. Off: ${step.name}. ${step.way}`.trim() + doneBy(by),
        data: { stepId: added.id },
      },
      now,
    );
    return added;
  });
}

/** Takes a step back that was written by mistake. @throws Refusal while others lean on it or it is on again */
export async function forgetStep(stepId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const step = await needRow('removal_steps', stepId);
    const { steps, lots, connections, blocks } = await teardownOf(step.restorationId);
    const leaning = blocks.filter(({ firstId, thenId }) => firstId === stepId || thenId === stepId);
    const nameOf = (id: string) => steps.find((s) => s.id === id)?.name ?? '';
    if (leaning.length > 0) {
      const others = leaning.map(({ firstId, thenId }) => nameOf(firstId === stepId ? thenId : firstId)).join(', ');
      throw new Refusal('stepId', `Blocks lean on “${step.name}”: ${others}. Take those blocks away first.`);
    }
    if (step.onAt !== null) throw new Refusal('stepId', `“${step.name}” is on again already. It stays in the record.`);
    await removeRows('lots', { stepId });
    await removeRows('connections', { stepId });
    await removeRows('removal_steps', { id: stepId });
    const own = { step, lots: lots.filter((lot) => lot.stepId === stepId), connections: connections.filter((c) => c.stepId === stepId) };
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'teardown',
        kind: 'off',
        words: `Taken back: ${step.position}. ${step.name}. It had not come off.`,
        data: own,
      },
      now,
    );
  });
}

/** Puts a photograph to a step, with pins where the fasteners sat. */
export async function pinStep(stepId: string, photoId: string, pins: RemovalStep['pins'], now: Date): Promise<void> {
  await inTransaction(async () => {
    const step = await needRow('removal_steps', stepId);
    const photo = await needRow('photos', photoId);
    if (photo.restorationId !== step.restorationId)
      throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this.');
    await changeRow('removal_steps', { id: stepId }, { photoId, pins });
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'teardown',
        kind: 'off',
        words: `${step.name}: photograph ${photo.originalName}, ${pins.length} pins.`,
        data: { stepId, photoId, pins },
      },
      now,
    );
  });
}

/** Adds a lot of fasteners to a step and gives it the next free cell of the tray. */
export async function addLot(stepId: string, lot: Lot, deepestMm: number | null, now: Date): Promise<LotRow> {
  return inTransaction(async () => {
    const step = await needRow('removal_steps', stepId);
    const { lots } = await teardownOf(step.restorationId);
    const trays = await findRows('trays', {}, [['addedAt', 'ASC']]);
    const place = trays.flatMap((tray) => {
      const taken = lots.flatMap((known) => (known.tray === tray.name && known.cell !== null ? [known.cell] : []));
      const cell = nextCell(taken, tray);
      return cell === null ? [] : [{ tray: tray.name, cell }];
    })[0] ?? { tray: '', cell: null };
    const row = { ...lot, ...place, restorationId: step.restorationId, stepId, deepestMm, returned: 0, missing: 0, words: '' };
    const added = await addRow('lots', row);
    await appendLog(
      { restorationId: step.restorationId, stage: 'teardown', kind: 'lot', words: `${step.name}: ${lotWords(lot)}.`, data: { lotId: added.id } },
      now,
    );
    return added;
  });
}

/** Corrects how many a lot holds, as they are counted. @throws Refusal below what is back already */
export async function recount(lotId: string, count: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    const lot = await needRow('lots', lotId);
    if (count < lot.returned + lot.missing)
      throw new Refusal('count', `${lot.returned + lot.missing} of this lot are back or explained already; it cannot have fewer.`);
    await changeRow('lots', { id: lotId }, { count });
    await appendLog(
      {
        restorationId: lot.restorationId,
        stage: 'teardown',
        kind: 'lot',
        words: `Counted: ${lotWords({ ...lot, count })}.`,
        data: { lotId, before: lot.count },
      },
      now,
    );
  });
}

export async function addConnection(connection: Pick<ConnectionRow, 'stepId' | 'kind' | 'way'>, now: Date): Promise<ConnectionRow> {
  return inTransaction(async () => {
    const { restorationId, name } = await needRow('removal_steps', connection.stepId);
    const added = await addRow('connections', { ...connection, restorationId, tickedAt: null });
    await appendLog(
      {
        restorationId,
        stage: 'teardown',
        kind: 'connection',
        words: `${name}: ${connection.kind} undone. ${connection.way}`,
        data: { connectionId: added.id },
      },
      now,
    );
    return added;
  });
}

/** `first` must be on before `then`. @throws Refusal for a block of a step on itself, or one that stands already */
export async function addBlock(firstId: string, thenId: string, why: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const first = await needRow('removal_steps', firstId);
    const then = await needRow('removal_steps', thenId);
    if (firstId === thenId) numberSteps([first.name], [{ first: first.name, then: then.name }]);
    const { blocks } = await teardownOf(first.restorationId);
    if (blocks.some((block) => block.firstId === firstId && block.thenId === thenId)) throw new Refusal('thenId', 'This block stands already.');
    await addRow('blocks', { restorationId: first.restorationId, firstId, thenId, why });
    await appendLog(
      {
        restorationId: first.restorationId,
        stage: 'teardown',
        kind: 'block',
        words: `“${first.name}” must be on before “${then.name}”. ${why}`.trim(),
      },
      now,
    );
  });
}

export async function removeBlock(blockId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const block = await needRow('blocks', blockId);
    const [first, then] = [await needRow('removal_steps', block.firstId), await needRow('removal_steps', block.thenId)];
    await removeRows('blocks', { id: blockId });
    await appendLog(
      {
        restorationId: block.restorationId,
        stage: 'teardown',
        kind: 'block',
        words: `Block taken away: “${first.name}” before “${then.name}”.`,
        data: block,
      },
      now,
    );
  });
}

export const listTrays = (): Promise<Tray[]> => findRows('trays', {}, [['addedAt', 'ASC']]);

export async function addTray(tray: Pick<Tray, 'name' | 'columns' | 'rows'>, now: Date): Promise<void> {
  await inTransaction(async () => {
    const [taken] = await findRows('trays', { name: tray.name });
    if (taken) throw new Refusal('name', `There is a tray “${tray.name}” already. Give this one another name.`);
    await addRow('trays', { ...tray, addedAt: now.toISOString() });
    await appendLog({ restorationId: null, stage: null, kind: 'tray', words: `Tray ${tray.name}: ${tray.columns} by ${tray.rows} cells.` }, now);
  });
}

/**
 * Fasteners of a lot go back into their holes.
 *
 * @param expected how many were back when the screen was drawn: a second tab cannot count the same screw again
 */
export async function tickLot(lotId: string, count: number, lengthMm: number, expected: number, now: Date): Promise<void> {
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
    await changeRow('lots', { id: lotId }, { missing: after.missing, words: lot.words ? `${lot.words}; ${words}` : words });
    await appendLog(
      { restorationId: lot.restorationId, stage: 'rebuild', kind: 'lot', words: `${count} of ${lotWords(lot)}: ${words}.`, data: { lotId, count } },
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
export async function putOn({ stepId, words, by = '' }: { stepId: string; words: string; by?: string }, now: Date): Promise<void> {
  await inTransaction(async () => {
    const step = await needRow('removal_steps', stepId);
    if (step.onAt !== null) throw new Refusal('stepId', `“${step.name}” is on already, perhaps ticked on another screen. Nothing was counted twice.`);
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
    if (loose.length > 0) throw new Refusal('stepId', `Not connected yet: ${loose.map(({ kind, way }) => `${kind} (${way})`).join('; ')}.`);
    await changeRow('removal_steps', { id: stepId, onAt: null }, { onAt: now.toISOString(), onWords: words || null, onBy: by });
    await appendLog(
      { restorationId: step.restorationId, stage: 'rebuild', kind: 'on', words: `On: ${step.name}. ${words}`.trim() + doneBy(by), data: { stepId } },
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
      { restorationId: step.restorationId, stage: 'rebuild', kind: 'on', words: `Off again: ${step.name}. ${why}`.trim(), data: { stepId } },
      now,
    );
  });
}

/** Why the case may not be closed yet. A restoration without a recorded teardown has nothing to hold it. */
export async function holdsOf(restorationId: string, now: Date): Promise<Hold[]> {
  const { steps, lots, connections } = await teardownOf(restorationId);
  if (steps.length === 0) return [];
  const nameOf = (stepId: string) => steps.find(({ id }) => id === stepId)?.name ?? '';
  const tests = await findRows('function_tests', { restorationId, phase: 'before closing' }, [['at', 'ASC']]);
  const last = tests[tests.length - 1];
  const timers = await findRows('timers', { restorationId, endedAt: null });
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
