import type { WhereOptions } from 'sequelize';
import { refusedBeside, type Open } from '@/core/materials/mixing';
import type { Caution } from '@/core/peroxide/cautions';
import { Refusal } from '@/core/refusal';
import type { Stage } from '@/core/runsheet/stages';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { Booked } from '@/data/rows';
import { addRow, changeRow } from '@/data/table';
import { bookMaterial, type Use } from './ledger';
import { needsNoAnswer } from './owner';
import { RULES } from './rules';

/** What is done to: a piece, or the machine as a whole where none is named. */
interface Place {
  restorationId: string;
  pieceId: string | null;
}

/** What the log says of a beginning at one place, with what was confirmed before it. */
interface Told {
  restorationId: string;
  words: string;
  cautions: readonly Caution[];
  checks?: readonly string[];
  data: unknown;
}

/** A treatment that begins: the same for every stage, but for the rows that a stage keeps of it. */
export interface Beginning<Kept> {
  stage: Stage;
  /** Kind of its entries in the log. */
  kind: string;
  on: readonly Place[];
  /**
   * What comes to the bench with it, and at which field of the form a refusal is shown: by the bench, by the owner.
   * `null` for what is over and only written down: it was done, whoever was asked.
   */
  brings: { name: string; families: Open['families']; fields: { bench: string; owner: string } } | null;
  /** What goes into all of it out of the stores, and when. */
  takes?: (Pick<Use, 'stockId' | 'amount' | 'otherwise' | 'unit'> & { at: Date }) | null;
  /** Keeps the rows and starts the bells of the stage. */
  keep(booked: Booked | null): Promise<Kept>;
  told(kept: Kept): readonly Told[];
}

/** What stands open on the bench, in every restoration. */
const openOnBench = async (): Promise<Open[]> =>
  (await Promise.all(Object.values(RULES).map(async ({ onBench }) => (await onBench?.()) ?? []))).flat();

/** @throws Refusal where the owner has not answered, the piece still cures, or what is brought must not meet what stands open on the bench */
async function mayBegin(
  { stage, kind, on, brings }: Pick<Beginning<unknown>, 'stage' | 'kind' | 'on' | 'brings'>,
  now: Date,
): Promise<void> {
  if (!brings) return;
  const { name, families, fields } = brings;
  for (const { restorationId, pieceId } of on) {
    await needsNoAnswer(restorationId, { about: 'treatment', stage, pieceId }, fields.owner);
    for (const { sparesPiece } of Object.values(RULES)) {
      const spared = await sparesPiece?.({ restorationId, pieceId }, now, kind);
      if (spared) throw new Refusal(fields.bench, spared);
    }
  }
  const refused = refusedBeside(name, families, await openOnBench());
  if (refused) throw new Refusal(fields.bench, refused);
}

/** Books what goes into it to each restoration, by the number of its places. */
async function book({ stage, on, takes }: Pick<Beginning<unknown>, 'stage' | 'on' | 'takes'>): Promise<Booked | null> {
  if (!takes) return null;
  const { at, ...use } = takes;
  const all: Booked = { movementIds: [], ledgerIds: [] };
  for (const restorationId of new Set(on.map((place) => place.restorationId))) {
    const share = on.filter((place) => place.restorationId === restorationId).length / on.length;
    const booked = await bookMaterial({ ...use, amount: share * use.amount, restorationId, stage }, at);
    all.movementIds.push(...booked.movementIds);
    all.ledgerIds.push(...booked.ledgerIds);
  }
  return all;
}

const confirmedWords = ({ cautions, checks = [] }: Told): string[] => [
  ...(cautions.length > 0 ? [`Cautions confirmed: ${cautions.map(({ hazard }) => hazard).join(' ')}`] : []),
  ...(checks.length > 0 ? [`Checked: ${checks.join('; ')}.`] : []),
];

/**
 * Begins a treatment, whole or not at all: the owner’s leave, the bench, the stores, the rows and bells of its stage,
 * and the log with the cautions that were confirmed.
 *
 * @throws Refusal with what holds it back
 */
export async function beginRun<Kept>(run: Beginning<Kept>, now: Date): Promise<Kept> {
  return inTransaction(async () => {
    await mayBegin(run, now);
    const kept = await run.keep(await book(run));
    for (const told of run.told(kept)) {
      const { restorationId, data } = told;
      const words = [told.words, ...confirmedWords(told)].join(' ');
      await appendLog({ restorationId, stage: run.stage, kind: run.kind, words, data }, now);
    }
    return kept;
  });
}

/** How a treatment ended at one place. */
interface Ending extends Omit<Told, 'cautions' | 'checks'> {
  stage: Stage;
  kind: string;
  /** Bells that end with it. */
  bells: WhereOptions | null;
  /** What hands it took, for the ledger. */
  hands?: { words: string; minutes: number } | null;
}

/** Ends a treatment at one place: its bells, the minutes of hands, and the log. */
export async function endRun(end: Ending, now: Date): Promise<void> {
  const { restorationId, stage, kind, words, data, bells, hands } = end;
  await appendLog({ restorationId, stage, kind, words: words.trim(), data }, now);
  if (bells) await changeRow('timers', { ...bells, endedAt: null }, { endedAt: now.toISOString() });
  if (hands)
    await addRow('ledger', { restorationId, stage, kind: 'minutes', ...hands, amountMinor: 0, at: now.toISOString() });
}
