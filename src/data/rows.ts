import type { Lab } from '@/core/colour/types';
import type { Basis, MeasureResult } from '@/core/photo/measure';
import type { MeasureSpec } from '@/core/photo/spec';
import type { Verdict } from '@/core/photo/verdict';
import type { Caution } from '@/core/peroxide/cautions';
import type { StrengthUnit } from '@/core/peroxide/strength';
import type { SchoolId } from '@/core/exposure/schools';
import type { Stage, StageState } from '@/core/runsheet/stages';
import type { UnitSystem } from '@/core/sums/units';

/** Rows as the rest of the house sees them: plain data, never model instances. Times ISO 8601 UTC. */
export interface Workshop {
  id: string;
  name: string;
  latitude: number | null;
  longitude: number | null;
  altitudeM: number;
  timeZone: string;
  units: UnitSystem;
  currency: string;
  hourlyRateMinor: number;
}

export interface Restoration {
  id: string;
  title: string;
  machine: string;
  source: string;
  pricePaidMinor: number;
  condition: string;
  openedAt: string;
  closedAt: string | null;
}

export interface StageRow {
  id: string;
  restorationId: string;
  stage: Stage;
  state: StageState;
  settledAt: string | null;
  reason: string | null;
}

export interface Piece {
  id: string;
  restorationId: string;
  tag: string;
  name: string;
  plastic: string;
  finish: string;
  lengthMm: number | null;
  widthMm: number | null;
  heightMm: number | null;
  labels: string;
  metalInside: string;
  hiddenLab: Lab | null;
}

export interface Photo {
  id: string;
  restorationId: string;
  pieceId: string | null;
  stage: Stage;
  hash: string;
  extension: string;
  mime: string;
  originalName: string;
  bytes: number;
  width: number;
  height: number;
  takenAt: string | null;
  addedAt: string;
  words: string;
}

export interface Measurement {
  id: string;
  restorationId: string;
  pieceId: string;
  photoId: string;
  stage: Stage;
  measuredAt: string;
  spec: MeasureSpec;
  result: MeasureResult;
  basis: Basis;
  lab: Lab | null;
  hiddenLab: Lab | null;
  deltaE00: number | null;
  deltaB: number | null;
  yellownessIndex: number | null;
  verdict: Verdict | null;
}

export interface Finding {
  id: string;
  restorationId: string;
  pieceId: string | null;
  stage: Stage;
  kind: string;
  words: string;
  severity: string;
  foundAt: string;
  settledAs: string | null;
  settledWords: string | null;
  settledAt: string | null;
}

export interface StockItem {
  id: string;
  name: string;
  kind: string;
  strengthValue: number | null;
  strengthUnit: StrengthUnit | null;
  sizeMl: number | null;
  priceMinor: number | null;
  addedAt: string;
  words: string;
}

export interface Treatment {
  id: string;
  restorationId: string;
  pieceId: string;
  school: SchoolId;
  stockId: string | null;
  stockPercentWW: number;
  targetPercentWW: number;
  amountMl: number;
  toleranceB: number;
  plannedAt: string;
  startMeasurementId: string | null;
  endedAt: string | null;
  endedWhy: string | null;
}

export interface Session {
  id: string;
  treatmentId: string;
  restorationId: string;
  pieceId: string;
  startedAt: string;
  plannedMin: number;
  turnEveryMin: number;
  cloudFraction: number;
  lampMwPerCm2: number;
  temperatureC: number;
  cautions: Caution[];
  turns: string[];
  endedAt: string | null;
  actualMin: number | null;
  dose: number | null;
  words: string | null;
  measurementId: string | null;
}

export interface Timer {
  id: string;
  restorationId: string | null;
  pieceId: string | null;
  sessionId: string | null;
  label: string;
  atTheBell: string;
  startedAt: string;
  dueAt: string;
  remindEveryMin: number | null;
  nextReminderAt: string | null;
  endedAt: string | null;
}

type LedgerKind = 'price' | 'material' | 'minutes';

export interface LedgerEntry {
  id: string;
  restorationId: string;
  stage: Stage;
  kind: LedgerKind;
  words: string;
  amountMinor: number;
  minutes: number;
  at: string;
}

export interface LogEntry {
  id: number;
  restorationId: string | null;
  at: string;
  stage: Stage | null;
  kind: string;
  words: string;
  data: unknown;
  /** Id of the entry that this one takes the place of; the old one can still be read. */
  corrects: number | null;
}

/** Which row each table holds. */
export interface RowOf {
  workshop: Workshop;
  restorations: Restoration;
  stages: StageRow;
  pieces: Piece;
  photos: Photo;
  measurements: Measurement;
  findings: Finding;
  stock: StockItem;
  treatments: Treatment;
  sessions: Session;
  timers: Timer;
  ledger: LedgerEntry;
  log: LogEntry;
}
