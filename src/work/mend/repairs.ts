import { GLUES, sheetOf, type GlueName } from '@/core/mending/repair/glues';
import type { MendTried } from '@/core/mending/repair/choose';
import { MEND, MEND_CAUTIONS, type MendOutcome, type MendStep, type MendWay } from '@/core/mending/repair/ways';
import { cureTime } from '@/core/mending/cure';
import { Refusal } from '@/core/refusal';
import { showTime } from '@/core/runsheet/time';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { RepairRow } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';
import { getWorkshop } from '@/data/workshop';
import { settleFinding, unsettleFinding } from '../findings';
import { orderForRepair } from '../orders';
import { needsNoAnswer } from '../owner';
import { beginRun } from '../run';
import { addTimer } from '../timers';

const MINUTE_MS = 60_000;

export type MeasuredBreak = Pick<RepairRow, 'restorationId' | 'findingId' | 'name' | 'damage'>;

/** The cautions of a way, each once. */
const cautionsOfWay = (way: MendWay) =>
  [...new Set(MEND[way].steps.flatMap(({ caution }) => caution ?? []))].map((id) => MEND_CAUTIONS[id]!);

const told = ({ restorationId, name }: Pick<RepairRow, 'restorationId' | 'name'>, words: string, data?: unknown) =>
  ({ restorationId, stage: 'mend', kind: 'repair', words: `${name}: ${words}`, ...(data ? { data } : {}) }) as const;

/**
 * Keeps what was measured of a break, on the piece that its finding is on; measured again it is put right.
 *
 * @throws Refusal once its repair has begun
 */
export async function measureBreak(measured: MeasuredBreak, now: Date): Promise<string> {
  return inTransaction(async () => {
    const { restorationId, findingId } = measured;
    const finding = findingId === null ? null : await needRow('findings', findingId);
    if (finding && finding.restorationId !== restorationId)
      throw new Refusal('findingId', 'This finding belongs to another restoration. Choose it under its own machine.');
    const row = { ...measured, pieceId: finding?.pieceId ?? null, at: now.toISOString() };
    const [open] = findingId === null ? [] : await findRows('repairs', { findingId, endedAt: null });
    if (open) {
      if (open.way !== null)
        throw new Refusal('kind', 'Its repair is begun already. Say what came of it, or take it back, first.');
      await changeRow('repairs', { id: open.id }, row);
      return open.id;
    }
    await needRow('restorations', restorationId);
    const { id } = await addRow('repairs', {
      ...row,
      ...{ way: null, startedAt: null, roomC: null, done: [], curedAt: null },
      ...{ endedAt: null, outcome: null, words: '', brokeAt: null },
    });
    return id;
  });
}

/**
 * Begins a repair by a way.
 *
 * @throws Refusal where it goes on already, the owner has not answered, or it must not be done beside what stands open
 */
export async function beginMend(repairId: string, way: Exclude<MendWay, 'leave'>, now: Date): Promise<void> {
  await inTransaction(async () => {
    const repair = await stillOpen(repairId);
    const { restorationId, pieceId } = repair;
    if (repair.way !== null)
      throw new Refusal(
        'way',
        `${MEND[repair.way].title} is begun already, perhaps on another device. Say what came of it, or take it back, first.`,
      );
    const { title, costMinor, original } = MEND[way];
    if (way === 'bought part' || way === 'set of feet')
      await orderForRepair(
        {
          restorationId,
          pieceId,
          repairId,
          what: `${MEND[way].takes[0]!} for ${repair.name}`.slice(0, 120),
          words: '',
        },
        now,
      );
    if (original === 'replaced')
      await needsNoAnswer(restorationId, { about: 'purchase', stage: 'mend', costMinor }, 'way');
    await beginRun<void>(
      {
        ...{ stage: 'mend', kind: 'repair' },
        on: [{ restorationId, pieceId }],
        brings: {
          name: title,
          families: way === 'solvent' ? ['ketone'] : [],
          fields: { bench: 'way', owner: 'way' },
        },
        keep: async () => {
          await changeRow('repairs', { id: repairId }, { way, startedAt: now.toISOString() });
        },
        told: () => [{ ...told(repair, `${title} begun.`), cautions: cautionsOfWay(way), data: { repairId } }],
      },
      now,
    );
  });
}

async function stillOpen(repairId: string): Promise<RepairRow> {
  const repair = await needRow('repairs', repairId);
  if (repair.endedAt !== null)
    throw new Refusal('repairId', 'This repair was ended meanwhile, perhaps on another device. Load the page again.');
  return repair;
}

type Running = RepairRow & { way: MendWay };

async function running(repairId: string): Promise<Running> {
  const { way, ...repair } = await stillOpen(repairId);
  if (way === null) throw new Refusal('repairId', 'No way is chosen for it yet. Load the page again.');
  return { ...repair, way };
}

/** Where glue cures, and what its own sheet says; without it what is usual. */
export interface Place {
  roomC: number | null;
  /** Full cure at 20 °C, h. */
  cureH?: number | null;
}

/**
 * Marks a step as done; where its glue is on, its clocks begin, by the warmth of the place.
 *
 * @throws Refusal where the place is colder or warmer than the glue's sheet allows
 */
export async function doStep(repairId: string, step: number, place: Place, now: Date): Promise<void> {
  await inTransaction(async () => {
    const repair = await running(repairId);
    const { steps } = MEND[repair.way];
    const one = steps[step] as MendStep | undefined;
    if (!one) throw new Refusal('step', 'This way has no such step. Load the page again.');
    if (repair.done.includes(step)) return;
    const cures = one.glue ? await startCure(repair, one.glue, place, now) : null;
    const waits = one.minutes ? await startWait(repair, one.minutes, now) : null;
    const through = [repair.curedAt, cures, waits].flatMap((at) => at ?? []).sort();
    await changeRow(
      'repairs',
      { id: repairId },
      {
        done: [...repair.done, step].sort((a, b) => a - b),
        ...(one.glue && { roomC: place.roomC }),
        curedAt: through.at(-1) ?? null,
      },
    );
    const { timeZone } = await getWorkshop();
    const until = (cures ?? waits) ? ` It bears from ${showTime((cures ?? waits)!, timeZone)}.` : '';
    await appendLog(told(repair, `${one.words}${until}`, { repairId, step }), now);
  });
}

/** A step that was marked by mistake; its clocks end with it. */
export async function undoStep(repairId: string, step: number, now: Date): Promise<void> {
  await inTransaction(async () => {
    const repair = await running(repairId);
    if (!repair.done.includes(step)) return;
    const done = repair.done.filter((one) => one !== step);
    const { steps } = MEND[repair.way];
    const one: MendStep = steps[step]!;
    const clocked = one.glue !== undefined || one.minutes !== undefined;
    if (clocked) {
      // Of two glues the other's clock counts on.
      const label = labelOf(repair, one.glue ?? null);
      await changeRow('timers', { repairId, label, endedAt: null }, { endedAt: now.toISOString() });
    }
    const left = clocked ? await findRows('timers', { repairId, endedAt: null }) : [];
    await changeRow(
      'repairs',
      { id: repairId },
      {
        done,
        ...(clocked && {
          curedAt:
            left
              .map(({ dueAt }) => dueAt)
              .sort()
              .at(-1) ?? null,
        }),
      },
    );
    await appendLog(told(repair, `Not done after all: ${one.words}`, { repairId, step }), now);
  });
}

const labelOf = ({ name }: Running, glue: GlueName | null) =>
  `${name}: ${glue ? GLUES[glue].title.toLowerCase() : 'under weights'}`;

async function startCure(repair: Running, glue: GlueName, { roomC, cureH }: Place, now: Date): Promise<string> {
  if (roomC === null)
    throw new Refusal('roomC', 'Say how warm the place is that it cures in: a cold one takes twice as long.');
  const sheet = sheetOf(glue, 'cureMin');
  const { cureMin } = cureTime({ ...sheet, ...(cureH && { sheetMin: 60 * cureH }), actualC: roomC });
  return startClock(repair, labelOf(repair, glue), `It bears now. ${MEND[repair.way].check}`, cureMin, now);
}

const startWait = (repair: Running, minutes: number, now: Date) =>
  startClock(repair, labelOf(repair, null), MEND[repair.way].check, minutes, now);

async function startClock(
  { id: repairId, restorationId, pieceId }: Running,
  label: string,
  atTheBell: string,
  minutes: number,
  now: Date,
): Promise<string> {
  const dueAt = new Date(now.getTime() + minutes * MINUTE_MS).toISOString();
  await addTimer({ restorationId, pieceId, repairId, label, atTheBell, dueAt }, now);
  return dueAt;
}

/**
 * What came of a repair. What holds closes its finding, with how original the piece still is.
 *
 * @throws Refusal while its glue cures, or before all of its steps are done, where it is said to hold
 */
export async function endMend(repairId: string, outcome: MendOutcome, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const repair = await running(repairId);
    const { way, curedAt, findingId, done } = repair;
    const { title, steps, original } = MEND[way];
    const holds = outcome !== 'does not hold';
    if (holds && done.length < steps.length)
      throw new Refusal(
        'outcome',
        'Not all of its steps are done. Tick what is done first, or say that it does not hold.',
      );
    if (holds && curedAt !== null && curedAt > now.toISOString()) {
      const { timeZone } = await getWorkshop();
      throw new Refusal(
        'outcome',
        `Its glue bears from ${showTime(curedAt, timeZone)}. Try it then: what is tried before breaks again.`,
      );
    }
    await changeRow('repairs', { id: repairId }, { endedAt: now.toISOString(), outcome, words });
    await changeRow('timers', { repairId, endedAt: null }, { endedAt: now.toISOString() });
    await addRow('ledger', {
      ...{ restorationId: repair.restorationId, stage: 'mend', kind: 'minutes' },
      ...{ words: `${repair.name}: ${title.toLowerCase()}`, minutes: MEND[way].minutes, amountMinor: 0 },
      at: now.toISOString(),
    });
    await appendLog(told(repair, `${title}: ${outcome}. ${words}`.trim(), { repairId }), now);
    if (holds && findingId !== null)
      await settleFinding(findingId, 'done', [`${title}, ${outcome}`, original, words].filter(Boolean).join('; '), now);
  });
}

/** Leaves a break as it is; its finding is closed with the reason. */
export async function leaveBreak(repairId: string, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const repair = await stillOpen(repairId);
    if (repair.way !== null)
      throw new Refusal('repairId', 'Its repair is begun already. Say what came of it, or take it back, first.');
    if (!words) throw new Refusal('words', 'Say in a few words why it is left; it goes into the record.');
    const at = now.toISOString();
    await changeRow('repairs', { id: repairId }, { way: 'leave', startedAt: at, endedAt: at, words });
    if (repair.findingId !== null) await settleFinding(repair.findingId, 'left on purpose', words, now);
  });
}

/** A repair that held broke again: its way counts for less here, and its finding is open again. */
export async function noteBroken(repairId: string, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const repair = await needRow('repairs', repairId);
    if (repair.endedAt === null || repair.outcome === 'does not hold' || repair.brokeAt !== null)
      throw new Refusal('repairId', 'Only a repair that was said to hold can break again. Load the page again.');
    await changeRow('repairs', { id: repairId }, { brokeAt: now.toISOString() });
    await appendLog(told(repair, `broke again. ${words}`.trim(), { repairId }), now);
    if (repair.findingId !== null) await unsettleFinding(repair.findingId, now);
  });
}

/** What came of every repair of this workshop, on whichever machine; what broke later does not hold. */
export async function triedMends(): Promise<MendTried[]> {
  const rows = await findRows('repairs');
  return rows.flatMap(({ way, outcome, brokeAt }) =>
    outcome === null || way === null ? [] : [{ way, outcome: brokeAt === null ? outcome : ('does not hold' as const) }],
  );
}
