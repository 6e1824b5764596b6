import { ownPhoto, ownPiece } from './own';
import { Refusal } from '@/core/refusal';
import { type ConnectionKind, WAY_ROUND } from '@/core/teardown/joints';
import { type Lot, lotWords } from '@/core/teardown/lots';
import { numberSteps } from '@/core/teardown/order';
import { cellName, nextCell } from '@/core/teardown/tray';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { ConnectionRow, LotRow, RemovalStep, Tray } from '@/data/rows';
import { addRow, changeRow, findRows, needRow, removeRows } from '@/data/table';
import { inTrays, listTrays, teardownOf } from '@/data/teardown';
import { Op, literal } from 'sequelize';

/** Who did it, where somebody said so. */
export const doneBy = (by: string) => (by ? ` (${by})` : '');

/**
 * The next thing off.
 *
 * @throws Refusal for a name that is off already, and while a plug, ribbon or wire before it has no way round on record
 */
export async function takeOff({ by = '', round = '', ...step }: NewStep, now: Date): Promise<RemovalStep> {
  return inTransaction(async () => {
    await needRow('restorations', step.restorationId);
    const { steps, connections } = await teardownOf(step.restorationId);
    const roundless = steps.find(
      ({ id, joint }) => WAY_ROUND.includes(joint) && !connections.some(({ stepId }) => stepId === id),
    );
    if (roundless)
      throw new Refusal(
        'name',
        `“${roundless.name}” has no way round on record yet. Write it down first: which side the mark is on, which colour is upper, how the clamp opens.`,
      );
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
      laidAside: false,
      pieceId: null,
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
    if (round && WAY_ROUND.includes(step.joint))
      await addConnection({ stepId: added.id, kind: step.joint as ConnectionKind, way: round }, now);
    return added;
  });
}

/** Something that was off before anybody took the machine apart here: it goes on last, and is missed until then. */
export async function laidAside(
  { restorationId, name, way }: Pick<RemovalStep, 'restorationId' | 'name' | 'way'>,
  now: Date,
): Promise<RemovalStep> {
  return inTransaction(async () => {
    await needRow('restorations', restorationId);
    const { steps } = await teardownOf(restorationId);
    const same = steps.find((step) => step.name.toLowerCase() === name.toLowerCase());
    if (same) throw new Refusal('name', `“${same.name}” is on the list already. Give this one a name of its own.`);
    const position = Math.min(0, (steps[0]?.position ?? 1) - 1);
    const free = {
      springs: '',
      pieceId: null,
      photoId: null,
      pins: [],
      onAt: null,
      onWords: null,
      offBy: '',
      onBy: '',
    };
    const added = await addRow('removal_steps', {
      ...{ restorationId, position, name, joint: 'laid in' as const, way, laidAside: true },
      ...free,
      removedAt: now.toISOString(),
    });
    const words = `Laid aside before the teardown: ${name}. ${way}`.trim();
    await appendLog({ restorationId, stage: 'teardown', kind: 'off', words, data: { stepId: added.id } }, now);
    return added;
  });
}

/** Says which tagged piece a step is; with it go its drying and its findings. */
export async function stepIsPiece(stepId: string, pieceId: string | null, now: Date): Promise<void> {
  await inTransaction(async () => {
    const step = await needRow('removal_steps', stepId);
    const piece = pieceId === null ? null : await ownPiece(step.restorationId, pieceId);
    await changeRow('removal_steps', { id: stepId }, { pieceId });
    const words = piece ? `${step.name} is ${piece.tag} ${piece.name}.` : `${step.name} is no tagged piece.`;
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'teardown',
        kind: 'off',
        words,
        data: { stepId, before: step.pieceId },
      },
      now,
    );
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
    const own = {
      step,
      lots: lots.filter((lot) => lot.stepId === stepId),
      connections: connections.filter((c) => c.stepId === stepId),
    };
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
    const photo = await ownPhoto(step.restorationId, photoId);
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
    const place = await freePlace();
    const row = {
      ...lot,
      ...place,
      restorationId: step.restorationId,
      stepId,
      deepestMm,
      returned: 0,
      missing: 0,
      words: '',
    };
    const added = await addRow('lots', row);
    await appendLog(
      {
        restorationId: step.restorationId,
        stage: 'teardown',
        kind: 'lot',
        words: `${step.name}: ${lotWords(lot)}.`,
        data: { lotId: added.id },
      },
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
      throw new Refusal(
        'count',
        `${lot.returned + lot.missing} of this lot are back or explained already; it cannot have fewer.`,
      );
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

export async function addConnection(
  connection: Pick<ConnectionRow, 'stepId' | 'kind' | 'way'>,
  now: Date,
): Promise<ConnectionRow> {
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
    if (blocks.some((block) => block.firstId === firstId && block.thenId === thenId))
      throw new Refusal('thenId', 'This block stands already.');
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

export async function addTray(tray: Pick<Tray, 'name' | 'columns' | 'rows'>, now: Date): Promise<void> {
  await inTransaction(async () => {
    const [taken] = await findRows('trays', { name: tray.name });
    if (taken) throw new Refusal('name', `There is a tray “${tray.name}” already. Give this one another name.`);
    await addRow('trays', { ...tray, addedAt: now.toISOString() });
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'tray',
        words: `Tray ${tray.name}: ${tray.columns} by ${tray.rows} cells.`,
      },
      now,
    );
    // What lies about without a cell gets one now, in the order that it came off.
    const loose = await findRows(
      'lots',
      { cell: null, [Op.and]: literal('returned + missing < count') },
      [['rowid', 'ASC']],
      tray.columns * tray.rows,
    );
    for (const lot of loose) {
      const place = await freePlace();
      if (place.cell === null) break;
      await changeRow('lots', { id: lot.id }, place);
      const words = `${lotWords(lot)}: into ${place.tray} ${cellName(place.cell, tray)}.`;
      await appendLog(
        { restorationId: lot.restorationId, stage: 'teardown', kind: 'lot', words, data: { lotId: lot.id } },
        now,
      );
    }
  });
}

type NewStep = Pick<RemovalStep, 'restorationId' | 'name' | 'joint' | 'way' | 'springs'> & {
  by?: string;
  /** Which way round it was, where it is a plug, a ribbon or wires. */
  round?: string;
};

/** The next free cell of the trays, in the order that they were made; none where all are full. */
async function freePlace(): Promise<Pick<LotRow, 'tray' | 'cell'>> {
  const [trays, taken] = [await listTrays(), await inTrays()];
  const places = trays.flatMap((tray) => {
    const cell = nextCell(
      taken.flatMap((known) => (known.tray === tray.name && known.cell !== null ? [known.cell] : [])),
      tray,
    );
    return cell === null ? [] : [{ tray: tray.name, cell }];
  });
  return places[0] ?? { tray: '', cell: null };
}
