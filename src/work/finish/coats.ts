import { coatFaults, TRANSFER, whatNow, type AirHour, type PaintSheet } from '@/core/finish/coat';
import { masksFor } from '@/core/finish/areas';
import { BRUSH_CAUTION, COAT_BRINGS, isLast, needsOrder, SPRAY_CAUTION, type CoatKind } from '@/core/finish/coatKinds';
import { overPlastic } from '@/core/finish/overPlastic';
import { paintAmount } from '@/core/finish/paintAmount';
import { surfacesOfPiece } from '@/core/materials/pieceSurfaces';
import { needsSense } from '@/core/finish/coatSchema';
import { faultWords, nowWords } from '@/core/finish/coatWords';
import { Refusal } from '@/core/refusal';
import { ownKnowledge } from '@/data/cleaning';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { CoatJobRow, CoatRow } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';
import { needsLeft } from '../ledger';
import { ownPiece } from '../own';
import { beginRun } from '../run';
import { sheetOf } from './coatSheet';
import { takeBack } from '../takenBack';
import { addTimer } from '../timers';

const HOUR_MS = 3_600_000;

const told = (job: Pick<CoatJobRow, 'restorationId' | 'name'>, words: string, data?: unknown) =>
  ({
    ...{ restorationId: job.restorationId, stage: 'finish' as const, kind: 'coat', words: `${job.name}: ${words}` },
    ...(data ? { data } : {}),
  }) as const;

/**
 * Plans what is to be coated, with its coats in their order.
 *
 * @throws Refusal for coats that do not hold on one another, or a sheet that contradicts itself
 */
export async function planCoating(
  given: Pick<
    CoatJobRow,
    'restorationId' | 'pieceId' | 'name' | 'areaCm2' | 'way' | 'inside' | 'coverageM2PerL' | 'masks'
  > & { sheet: PaintSheet; kinds: readonly CoatKind[] },
  now: Date,
): Promise<string> {
  const { kinds, ...job } = given;
  needsSense(job.sheet);
  kinds.forEach((kind, i) => needsOrder(kinds.slice(0, i), kind));
  return inTransaction(async () => {
    await needRow('restorations', job.restorationId);
    if (job.pieceId !== null) await ownPiece(job.restorationId, job.pieceId);
    const { id } = await addRow('coat_jobs', { ...job, at: now.toISOString(), endedAt: null });
    for (const kind of kinds)
      await addRow('coats', {
        ...{ restorationId: job.restorationId, jobId: id, kind, sheet: null, laidAt: null },
        ...{ airC: null, surfaceC: null, humidityPercent: null, words: '' },
      });
    await appendLog(told(job, `to be coated: ${kinds.join(', ')}.`, { coatJobId: id }), now);
    return id;
  });
}

/** Coats of a job in their order. */
const coatsOf = (jobId: string): Promise<CoatRow[]> => findRows('coats', { jobId }, [['rowid', 'ASC']]);

const lastLaid = (coats: readonly CoatRow[]) => coats.filter(({ laidAt }) => laidAt !== null).at(-1);

/** What meters read where a coat is laid. */
export type Readings = Pick<AirHour, 'airC' | 'surfaceC' | 'humidityPercent' | 'windMs'>;

/**
 * Lays the next coat of a job, by what the meters read; the clock to the next one begins.
 *
 * @throws Refusal in air that the sheet does not allow, in the bad time of the coat under it, over wax, or sprayed in a
 * closed room; over plastic without a test spot, or over what is to be covered
 */
export async function layCoat(
  {
    jobId,
    readings,
    airDrawn,
    words,
    tested = false,
    covered = false,
    stockId = null,
  }: {
    jobId: string;
    readings: Readings;
    airDrawn: boolean;
    words: string;
    /** A spot was tried on a hidden place of the plastic. */
    tested?: boolean;
    /** What was outlined is covered. */
    covered?: boolean;
    /** The can or bottle that it comes from. */
    stockId?: string | null;
  },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const job = await needRow('coat_jobs', jobId);
    const { restorationId, pieceId, way, inside, areaCm2, coverageM2PerL } = job;
    if (job.endedAt !== null)
      throw new Refusal('jobId', 'This coating was ended meanwhile, perhaps on another device. Load the page again.');
    const coats = await coatsOf(jobId);
    const next = coats.find(({ laidAt }) => laidAt === null);
    if (!next) throw new Refusal('jobId', 'All of its coats are laid. Add one to the plan first.');
    const sheet = sheetOf(job, next);
    const lying = await lyingOn(job, coats);
    needsOrder(lying, next.kind);
    const checks = await needsGround(job, { first: lastLaid(coats) === undefined, next: next.kind, tested, covered });
    if (way === 'sprayed' && inside && !airDrawn)
      throw new Refusal(
        'airDrawn',
        'Spray in a room only with the air drawn off outdoors. Set that up, and say so; or spray outdoors.',
      );
    const faults = coatFaults({ ...readings, at: now, rainMm: 0 }, sheet, way, inside);
    if (faults.length > 0) throw new Refusal('surfaceC', `Not now: ${faults.map(faultWords).join('; ')}.`);
    const under = lastLaid(coats);
    if (under) {
      const state = whatNow(sheetOf(job, under), (now.getTime() - Date.parse(under.laidAt!)) / HOUR_MS);
      if (state.kind === 'wait' || state.kind === 'start anew') throw new Refusal('jobId', nowWords(state));
    }
    const { paintMl } = paintAmount({ areaCm2, coverageM2PerL, coats: 1, transfer: TRANSFER[way] });
    if (stockId !== null) await needsLeft(stockId, paintMl, 'stockId');
    await beginRun<void>(
      {
        ...{ stage: 'finish', kind: 'coat', on: [{ restorationId, pieceId }] },
        brings: { name: next.kind, families: COAT_BRINGS[next.kind], fields: { bench: 'jobId', owner: 'jobId' } },
        takes:
          stockId === null
            ? null
            : {
                ...{ stockId, otherwise: next.kind, unit: 'mL', at: now },
                amount: paintMl,
              },
        keep: async () => {
          const { airC, surfaceC, humidityPercent } = readings;
          await changeRow(
            'coats',
            { id: next.id },
            { laidAt: now.toISOString(), airC, surfaceC, humidityPercent, words },
          );
          await endClocks(job, under, now);
          const more = coats.filter(({ laidAt }) => laidAt === null).length > 1;
          await addTimer(
            {
              ...{ restorationId, pieceId, label: labelOf(job) },
              atTheBell: more ? 'The next coat may follow.' : 'The last coat is through.',
              dueAt: new Date(now.getTime() + (more ? sheet.soonestH : sheet.throughH) * HOUR_MS).toISOString(),
            },
            now,
          );
        },
        told: () => [
          {
            ...told(
              job,
              `${next.kind} laid at ${readings.surfaceC} °C and ${readings.humidityPercent} % humidity. ${words}`.trim(),
            ),
            cautions: [way === 'sprayed' ? SPRAY_CAUTION : BRUSH_CAUTION],
            checks,
            data: { coatId: next.id },
          },
        ],
      },
      now,
    );
  });
}

/**
 * What the ground of a first coat asks.
 *
 * @returns what was confirmed of it, for the record
 * @throws Refusal over plastic that bears no paint or was not tried, and over what was outlined and is not covered
 */
async function needsGround(
  { restorationId, pieceId }: Pick<CoatJobRow, 'restorationId' | 'pieceId'>,
  { first, next, tested, covered }: { first: boolean; next: CoatKind; tested: boolean; covered: boolean },
): Promise<string[]> {
  if (!first) return [];
  const checks: string[] = [];
  const piece = pieceId === null ? null : await needRow('pieces', pieceId);
  const over = piece && !isLast(next) ? overPlastic(piece, surfacesOfPiece(piece), await ownKnowledge()) : null;
  if (over) {
    if (over.primer === 'does not hold')
      throw new Refusal('jobId', 'No paint holds on this: it creeps and bends. Leave it as it is.');
    if (!tested)
      throw new Refusal(
        'tested',
        'Over plastic a spot is tried first, on a hidden place: laid, left an hour, rubbed with a nail. Do that, and say so.',
      );
    checks.push('a spot was tried on a hidden place of the plastic');
  }
  const masks = masksFor(await findRows('areas', { restorationId }), pieceId);
  if (masks.length > 0) {
    if (!covered)
      throw new Refusal(
        'covered',
        `Cover first what was outlined: ${masks.map(({ use, name }) => name || use).join(', ')}. Then say so.`,
      );
    checks.push(`covered: ${masks.map(({ use, name }) => name || use).join(', ')}`);
  }
  return checks;
}

/** What the product of a coat asks, where it is another than the rest of its coating. @throws Refusal for one that is laid */
export async function sayCoatSheet({ coatId, sheet }: { coatId: string; sheet: PaintSheet }, now: Date): Promise<void> {
  needsSense(sheet);
  await inTransaction(async () => {
    const coat = await needRow('coats', coatId);
    if (coat.laidAt !== null) throw new Refusal('coatId', 'This coat is laid: its sheet stays as it was then.');
    const job = await needRow('coat_jobs', coat.jobId);
    await changeRow('coats', { id: coatId }, { sheet });
    await appendLog(told(job, `${coat.kind} has a sheet of its own.`, { coatId, before: coat.sheet }), now);
  });
}

const labelOf = ({ name }: Pick<CoatJobRow, 'name'>) => `${name}: coat`;
/** The clock of a coat: two coatings of one name may run side by side. */
const endClocks = (job: CoatJobRow, of: CoatRow | undefined, now: Date) =>
  changeRow(
    'timers',
    { restorationId: job.restorationId, label: labelOf(job), startedAt: of?.laidAt ?? '', endedAt: null },
    { endedAt: now.toISOString() },
  );

/** What lies on a piece already: of this job, and of those before it on the same piece. */
async function lyingOn(job: CoatJobRow, coats: readonly CoatRow[]): Promise<CoatKind[]> {
  const laid = (rows: readonly CoatRow[]) => rows.flatMap(({ kind, laidAt }) => (laidAt === null ? [] : [kind]));
  if (job.pieceId === null) return laid(coats);
  const others = await findRows('coat_jobs', { restorationId: job.restorationId, pieceId: job.pieceId });
  const over: CoatKind[] = [];
  for (const other of others) if (other.id !== job.id) over.push(...laid(await coatsOf(other.id)).filter(isLast));
  return [...over, ...laid(coats)];
}

/** One coat more at the end of a plan: where it ran, or something shows through. */
export async function addCoat({ jobId, kind }: { jobId: string; kind: CoatKind }, now: Date): Promise<void> {
  await inTransaction(async () => {
    const job = await needRow('coat_jobs', jobId);
    const coats = await coatsOf(jobId);
    needsOrder(
      coats.map((coat) => coat.kind),
      kind,
    );
    const { id } = await addRow('coats', {
      ...{ restorationId: job.restorationId, jobId, kind, sheet: null, laidAt: null },
      ...{ airC: null, surfaceC: null, humidityPercent: null, words: '' },
    });
    await changeRow('coat_jobs', { id: jobId }, { endedAt: null });
    await appendLog(told(job, `one ${kind} more.`, { coatId: id }), now);
  });
}

/** A coat that was not laid after all, or was taken off again. @throws Refusal for one under another */
export async function unlayCoat(id: string, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const coat = await needRow('coats', id);
    const job = await needRow('coat_jobs', coat.jobId);
    if (lastLaid(await coatsOf(job.id))?.id !== id)
      throw new Refusal('id', 'Only the uppermost coat is taken off. Begin with that.');
    const { laidAt, airC, surfaceC, humidityPercent } = coat;
    await endClocks(job, coat, now);
    await changeRow('coats', { id }, { laidAt: null, airC: null, surfaceC: null, humidityPercent: null, words: '' });
    await changeRow('coat_jobs', { id: job.id }, { endedAt: null });
    await appendLog(
      told(job, `${coat.kind} is off again. ${words}`.trim(), {
        coatId: id,
        before: { laidAt, airC, surfaceC, humidityPercent },
      }),
      now,
    );
  });
}

/** All of it is laid and looked at. @throws Refusal while a coat is still to be laid, or is not through */
export async function endCoating(jobId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const job = await needRow('coat_jobs', jobId);
    const coats = await coatsOf(jobId);
    const last = lastLaid(coats);
    if (!last || coats.some(({ laidAt }) => laidAt === null))
      throw new Refusal(
        'jobId',
        'Not all of its coats are laid. Lay them, or take those out of the plan that are not wanted.',
      );
    const throughAt = Date.parse(last.laidAt!) + sheetOf(job, last).throughH * HOUR_MS;
    if (throughAt > now.getTime())
      throw new Refusal(
        'jobId',
        `It is through in ${Math.ceil((throughAt - now.getTime()) / HOUR_MS)} h. Handle it then.`,
      );
    await changeRow('coat_jobs', { id: jobId }, { endedAt: now.toISOString() });
    await endClocks(job, last, now);
    const words = coats.every(({ kind }) => isLast(kind))
      ? 'has its last coat.'
      : 'coated, and no longer original there.';
    await appendLog(told(job, words, { coatJobId: jobId }), now);
  });
}

/** A coating that was planned by mistake. @throws Refusal once a coat of it lies */
export async function takeCoatingBack(id: string, now: Date): Promise<string> {
  const { restorationId, name } = await needRow('coat_jobs', id);
  if (lastLaid(await coatsOf(id)))
    throw new Refusal('id', `A coat of “${name}” lies on it, and that stays in the record. Take it off first.`);
  return takeBack(
    {
      ...{ restorationId, stage: 'finish', what: `coating of ${name}` },
      remove: [
        { table: 'coats', where: { jobId: id } },
        { table: 'coat_jobs', where: { id } },
      ],
    },
    now,
  );
}

/** A coat that is not wanted. @throws Refusal for one that is laid */
export async function takeCoatBack(id: string, now: Date): Promise<string> {
  const { restorationId, kind, laidAt } = await needRow('coats', id);
  if (laidAt !== null) throw new Refusal('id', `This ${kind} is laid. Take it off first, and say why.`);
  return takeBack(
    { ...{ restorationId, stage: 'finish', what: kind }, remove: [{ table: 'coats', where: { id } }] },
    now,
  );
}
