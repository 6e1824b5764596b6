import type { KeyboardKind } from '@/core/keyboard/kinds';
import { MEASURE, type Measure } from '@/core/keyboard/measured';
import { REPAIR, TAKES_A_PART, type RepairOutcome, type RepairWay, type Tried } from '@/core/keyboard/repairs';
import type { ContactLimits } from '@/core/keyboard/trace';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { KeyboardRow, KeyRepairRow } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';
import { needsNoAnswer } from '../owner';
import { startTimer } from '../timers';

const told = (board: Pick<KeyboardRow, 'restorationId' | 'name'>, words: string) =>
  ({
    restorationId: board.restorationId,
    stage: 'keys',
    kind: 'key repair',
    words: `${board.name}: ${words}`,
  }) as const;

/** Keeps what was measured of parts of keys; the newest of a kind counts. */
export async function keepMeasures(
  keyboardId: string,
  what: Measure,
  values: Readonly<Record<string, number | null>>,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const board = await needRow('keyboards', keyboardId);
    const { unit, most, title } = MEASURE[what];
    for (const [key, value] of Object.entries(values)) {
      if (!board.keys.some(({ id }) => id === key))
        throw new Refusal('key', `The key “${key}” is not on the board any more. Load the page again.`);
      if (value !== null && value > most)
        throw new Refusal('value', `${value} ${unit} is more than can be. ${title} is at most ${most} ${unit}.`);
      await addRow('key_measures', {
        ...{ restorationId: board.restorationId, keyboardId, key, what, value },
        at: now.toISOString(),
      });
    }
    const said = Object.entries(values).map(([key, value]) => `${key} ${value === null ? 'open' : `${value} ${unit}`}`);
    await appendLog(told(board, `${title}: ${said.join(', ')}.`), now);
  });
}

/** Keeps this workshop’s own limits for the contacts of a kind of keyboard. */
export async function keepLimits(kind: KeyboardKind, limits: ContactLimits, now: Date): Promise<void> {
  await inTransaction(async () => {
    const row = { ...limits, at: now.toISOString() };
    const [known] = await findRows('contact_limits', { kind });
    if (known) await changeRow('contact_limits', { id: known.id }, row);
    else await addRow('contact_limits', { kind, ...row });
  });
}

/** Begins a repair; what dries rings when it can be tested. */
export async function beginRepair(
  keyboardId: string,
  repair: { way: RepairWay; fault: string; keys: readonly string[]; ohmsBefore: number | null },
  now: Date,
): Promise<string> {
  return inTransaction(async () => {
    const board = await needRow('keyboards', keyboardId);
    const running = await findRows('key_repairs', { keyboardId, endedAt: null });
    if (running.length > 0)
      throw new Refusal(
        'way',
        `A repair of this keyboard is begun already: ${running[0]!.fault}. Say what came of it first: of two at once nobody knows which one helped.`,
      );
    // What is somebody else’s is mended, and parts for it are bought, by leave.
    await needsNoAnswer(board.restorationId, { about: 'treatment', stage: 'keys', pieceId: null }, 'way');
    const { costMinor } = REPAIR[repair.way];
    if (TAKES_A_PART.includes(repair.way))
      await needsNoAnswer(board.restorationId, { about: 'purchase', stage: 'keys', costMinor }, 'way');
    const { id } = await addRow('key_repairs', {
      ...{
        restorationId: board.restorationId,
        keyboardId,
        way: repair.way,
        fault: repair.fault,
        keys: [...repair.keys],
      },
      ...{ ohmsBefore: repair.ohmsBefore, ohmsAfter: null, startedAt: now.toISOString(), endedAt: null, outcome: null },
      words: '',
    });
    await appendLog(told(board, `${REPAIR[repair.way].title} begun, for ${repair.fault}.`), now);
    return id;
  });
}

/** The painted or wiped place dries from now on. */
export async function letDry(repairId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, way, fault } = await needRow('key_repairs', repairId);
    const { waitMin, title } = REPAIR[way];
    if (waitMin === 0) throw new Refusal('way', `${title} needs no time to dry.`);
    await startTimer(
      {
        restorationId,
        pieceId: null,
        label: `${title}: ${fault}`,
        atTheBell: 'Measure, then test the keys.',
        minutes: waitMin,
      },
      now,
    );
  });
}

/** What came of a repair: it moves the odds of its way in this workshop. */
export async function endRepair(
  repairId: string,
  outcome: RepairOutcome,
  ohms: { before: number | null; after: number | null },
  words: string,
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const repair = await needRow('key_repairs', repairId);
    if (repair.endedAt !== null)
      throw new Refusal(
        'outcome',
        'This repair was answered already, perhaps on another device. Take it back to answer it anew.',
      );
    const ohmsBefore = ohms.before ?? repair.ohmsBefore;
    await changeRow(
      'key_repairs',
      { id: repairId },
      { endedAt: now.toISOString(), outcome, ohmsBefore, ohmsAfter: ohms.after, words },
    );
    const board = await needRow('keyboards', repair.keyboardId);
    const read = ohms.after === null ? '' : `, ${ohms.after} Ω now`;
    await appendLog(
      told(
        board,
        `${REPAIR[repair.way].title}, for ${repair.fault}: ${outcome}${read}.${words === '' ? '' : ` ${words}`}`,
      ),
      now,
    );
  });
}

/** What came of every repair of this workshop, on whichever machine. */
export async function triedWays(): Promise<Tried[]> {
  const rows: KeyRepairRow[] = await findRows('key_repairs');
  return rows.flatMap(({ way, outcome }) => (outcome === null ? [] : [{ way, outcome }]));
}
