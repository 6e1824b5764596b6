import type { Lab } from '@/core/colour/types';
import { everyDay } from '@/core/runsheet/hours';
import type { MeasureResult } from '@/core/picture/measure';
import { access, copyFile, mkdtemp, rename, rm } from 'node:fs/promises';
import os from 'node:os';
import path from 'node:path';
import sharp from 'sharp';
import { closeDatabase, database } from '@/data/connection';
import { type NewPiece, addPiece } from './pieces';
import { addPhoto } from './photos';
import { settleStage } from './stages';
import { openRestoration } from './restorations';
import type { Photo, Piece, Restoration, Workshop } from '@/data/rows';
import type { StartExposure } from './brighten/begin';
import { saveWorkshop } from './workshop';

let last = 0;

/** The clock of the tests: on the day that `scripts/trialDay.mjs` sets, and each look later than the one before. */
export function tick(): Date {
  last = Math.max(last + 1, Date.now() + Number(process.env.KVELL_CLOCK_SHIFT_MS ?? 0));
  return new Date(last);
}

/** So many minutes from now, or ago. */
export const inMinutes = (minutes: number): Date => new Date(tick().getTime() + minutes * 60_000);

/** What the tests of several rooms need: a workshop in a folder of its own, a restoration and a piece. */
export const TRIAL_WORKSHOP: Omit<Workshop, 'id'> = {
  name: 'Trial',
  latitude: 14.6,
  longitude: -30,
  altitudeM: 0,
  ozoneDU: null,
  timeZone: 'Etc/GMT+2',
  units: 'metric',
  currency: 'EUR',
  hours: everyDay(9, 18),
  lampMwPerCm2: 0,
  things: null,
  hourlyRateMinor: 1000,
};

const folders: string[] = [];

/** An empty folder that goes with `removeFolders`. */
export async function trialFolder(): Promise<string> {
  const folder = await mkdtemp(path.join(os.tmpdir(), 'kvell-test-'));
  folders.push(folder);
  return folder;
}

/** Points the database at an empty folder, with or without a workshop in it. */
export async function freshFolder(): Promise<void> {
  await closeDatabase().catch(() => {});
  const folder = await trialFolder();
  process.env.KVELL_DATA = folder;
  await layEmptyDatabase(path.join(folder, 'kvell.sqlite'));
}

/** A copy of the empty database of this run (`scripts/emptyDatabase.mjs`); who comes first makes it. */
async function layEmptyDatabase(file: string): Promise<void> {
  const empty = process.env.KVELL_EMPTY_DATABASE;
  if (!empty) return;
  if (
    await access(empty).then(
      () => true,
      () => false,
    )
  )
    return copyFile(empty, file);
  await database();
  await closeDatabase();
  await copyFile(file, `${empty}.${process.pid}`);
  await rename(`${empty}.${process.pid}`, empty);
}

/** Closes the database and removes every folder that was made. */
export async function removeFolders(): Promise<void> {
  await closeDatabase();
  await Promise.all(folders.map((folder) => rm(folder, { recursive: true, force: true })));
}

/** A folder with its workshop for the whole test file. */
export function inTrialWorkshop(): void {
  beforeAll(async () => {
    await freshFolder();
    await saveWorkshop(TRIAL_WORKSHOP, tick());
  });
  afterAll(removeFolders);
}

export const TRIAL_PIECE: Omit<NewPiece, 'restorationId'> = {
  tag: 'K1',
  name: 'Lid',
  plastic: 'ABS',
  finish: 'textured',
  lengthMm: null,
  widthMm: null,
  heightMm: null,
  labels: '',
  metalInside: '',
};

/** A plain exposure, but for its piece. */
export const TRIAL_EXPOSURE: Omit<StartExposure, 'pieceIds'> = {
  school: 'bag-sun',
  stockId: null,
  stockPercentWW: 12,
  targetPercentWW: 6,
  amountMl: 500,
  toleranceB: 1.5,
  plannedMin: 60,
  turnEveryMin: 30,
  cloudFraction: 0,
  lampMwPerCm2: 0,
  temperatureC: 22,
  cautions: [],
  checks: [],
};

export const trialRestoration = (): Promise<Restoration> =>
  openRestoration({ title: 'Trial machine', machine: '', source: '', pricePaidMinor: 2500, condition: '' }, tick());

/** A piece in a restoration of its own, whose wash is settled: a finding opens it again. */
export async function trialPiece(fields: Partial<NewPiece> = {}): Promise<Piece> {
  const { id: restorationId } = await trialRestoration();
  await settleStage(restorationId, 'wash', 'not needed', 'came clean', tick());
  return addPiece({ restorationId, ...TRIAL_PIECE, ...fields }, tick());
}

/** A small photograph in a restoration; each shade is another file. */
export async function trialPhoto(restorationId: string, shade = 0): Promise<Photo> {
  const bytes = await sharp({
    create: { width: 40, height: 30, channels: 3, background: { r: 213, g: 205, b: 176 - shade } },
  })
    .jpeg()
    .toBuffer();
  return addPhoto(
    { restorationId, pieceId: null, stage: 'intake', originalName: `trial-${shade}.jpg`, words: '', bytes },
    tick(),
  );
}

/** What measuring a piece of this b* gives, beside a hidden patch of b* 6. */
export function trialResult(b: number): MeasureResult {
  const region = (id: string, lab: Lab) => ({
    id,
    lab,
    yellownessIndex: 10,
    deltaE00: id === 'hidden' ? 0 : b - 6,
    deltaL: 0,
    deltaB: lab[2] - 6,
    evenness: 1,
    blotch: 0.2,
    streak: { coherence: 0, angleDeg: 0 },
    usedShare: 1,
    worst: null,
    verdict: id === 'hidden' ? null : ('to go' as const),
  });
  return {
    regions: [region('piece', [84, 0, b]), region('hidden', [87, 0, 6])],
    card: { patches: 1, residualDeltaE00: 0.2, method: 'gain' },
    basis: 'card',
    warnings: [],
  };
}
