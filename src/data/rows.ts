import type { AgentId, OwnAgent } from '@/core/materials/agents';
import type { Visible } from '@/core/cleaning/ladder';
import type { Tub } from '@/core/cleaning/loads';
import type { Outcome, Tried } from '@/core/cleaning/outcomes';
import type { SoilId } from '@/core/cleaning/soils';
import type { OwnSurface, SurfaceId } from '@/core/materials/surfaces';
import type { OwnVerdict } from '@/core/materials/verdicts';
import type { Lab } from '@/core/colour/types';
import type { Basis, MeasureResult } from '@/core/picture/measure';
import type { MeasureSpec } from '@/core/picture/spec';
import type { Verdict } from '@/core/face/verdict';
import type { Caution } from '@/core/peroxide/cautions';
import type { StrengthTest } from '@/core/peroxide/bottle';
import type { StrengthUnit } from '@/core/peroxide/strength';
import type { Obstacle } from '@/core/sun/horizon';
import type { RateWord } from '@/core/fade/pooling';
import type { SchoolId } from '@/core/session/schools';
import type { Aim } from '@/core/intake/aim';
import type { FindingKind, FindingPart, Settlement, Severity } from '@/core/intake/findings';
import type { Allowed, Asked } from '@/core/intake/owner';
import type { Movement } from '@/core/ledger/left';
import type { WorthEstimate } from '@/core/ledger/worth';
import type { Share } from '@/core/picture/picture';
import type { WeekHours } from '@/core/runsheet/hours';
import type { Stage, StageState } from '@/core/runsheet/stages';
import type { ConnectionKind, Joint } from '@/core/teardown/joints';
import type { Lot } from '@/core/teardown/lots';
import type { TestPhase, TestResults, TestWords } from '@/core/runsheet/functionTest';
import type { UnitSystem } from '@/core/units';
import type { TableName } from './schema';

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
  /** When somebody is there to turn a piece and to hear a bell, Monday to Sunday. */
  hours: WeekHours;
  /** UV-A of the lamp at the piece, mW/cm²; 0 without one. */
  lampMwPerCm2: number;
}

/** What stands in the way of the sun where pieces are laid out. */
export interface ObstacleRow extends Obstacle {
  id: string;
  name: string;
  addedAt: string;
}

export interface Restoration {
  id: string;
  title: string;
  machine: string;
  source: string;
  pricePaidMinor: number;
  condition: string;
  /** What the seller said of it: “untested”, “faulty”. */
  claim: string;
  packing: string;
  aim: Aim;
  worthKeeping: string;
  /** Whose machine it is; empty for the workshop's own. */
  owner: string;
  allowed: Allowed;
  /** What is still to come and what a good one costs, as it was last estimated. */
  estimate: WorthEstimate | null;
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
  /** Where it differs from the machine's. */
  aim: Aim | null;
  worthKeeping: string;
  /** Where they are not just what plastic and finish say. */
  surfaces: SurfaceId[];
  /** Holds water inside. */
  hollow: boolean;
  /** How many parts it is: fifty-four caps under one tag. */
  parts: number;
  /** Its metal is out once the machine is apart. */
  metalUntilApart: boolean;
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
  kind: FindingKind;
  /** What of the machine it is on. */
  part: FindingPart;
  words: string;
  severity: Severity;
  /** The photograph that it is pinned on, and where. */
  photoId: string | null;
  pin: Share | null;
  closeUpId: string | null;
  /** The finding whose wash left this over: its passes count for this one too. */
  continues: string | null;
  /** What it is made of, once somebody has looked. */
  soil: SoilId | null;
  /** How it is seen when the machine is together. */
  visible: Visible;
  foundAt: string;
  settledAs: Settlement | null;
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

/** What came out of a bottle, or was found in it. */
export interface MovementRow extends Movement {
  id: string;
  stockId: string;
  restorationId: string | null;
  at: string;
}

/** How strong a bottle was found to be. */
interface StrengthRow extends StrengthTest {
  id: string;
  stockId: string;
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

/** A thermometer read while an exposure ran. */
interface WarmthReading {
  at: string;
  temperatureC: number;
}

/** Rows that a material was booked in, so that it can be given back. */
export interface Booked {
  movementIds: string[];
  ledgerIds: string[];
}

/** A fresh coat of cream, mL. */
interface FreshCoat extends Booked {
  at: string;
  amountMl: number;
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
  /** What was confirmed before the start, beside the cautions. */
  checks: string[];
  /** Warmth that was read while it ran. */
  readings: WarmthReading[];
  /** The session that this piece goes along with, in one mixture with one timer; `null` where it leads or is alone. */
  leadId: string | null;
  /** Cream that was brushed on afresh while it ran. */
  coats: FreshCoat[];
  /** What went into it at its start; `null` where it stood already. */
  takes: Booked | null;
  endedAt: string | null;
  actualMin: number | null;
  dose: number | null;
  words: string | null;
}

/** Cloud of an hour, from a file of hours or from somebody's own look at the sky. */
export interface WeatherHour {
  id: string;
  /** Beginning of the hour. */
  at: string;
  cloud: number;
  source: 'file' | 'look';
  takenAt: string;
}

/** A brightened piece is to be measured again, to see whether the yellow comes back. */
export interface LookAgain {
  id: string;
  restorationId: string;
  pieceId: string;
  treatmentId: string;
  dueAt: string;
  /** How it is kept until then. */
  storage: 'dark' | 'light';
  measurementId: string | null;
}

export interface Timer {
  id: string;
  /** What it times: an exposure, a pass at the sink, a piece that dries, or something else. */
  kind: 'exposure' | 'sink' | 'drying' | 'other';
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
  /** Of a session that is planned, not begun: its way, and when the window that opens with the bell closes. */
  plannedSchool: SchoolId | null;
  plannedTo: string | null;
}

/** One thing that came off. `position` counts from 1 in the order taken off. */
export interface RemovalStep {
  id: string;
  restorationId: string;
  position: number;
  name: string;
  joint: Joint;
  /** Force or trick that it needed: “slides left, then up”. */
  way: string;
  springs: string;
  /** It was off before anybody took the machine apart here. */
  laidAside: boolean;
  /** The tagged piece that it is, where somebody said so. */
  pieceId: string | null;
  photoId: string | null;
  /** Where the fasteners sat, as shares of the photograph's width and height. */
  pins: Share[];
  removedAt: string;
  onAt: string | null;
  onWords: string | null;
  /** Who did it, where the workshop has more than one name. */
  offBy: string;
  onBy: string;
}

export interface LotRow extends Lot {
  id: string;
  restorationId: string;
  stepId: string;
  /** Deepest that a screw may go there, where it was measured. */
  deepestMm: number | null;
  tray: string;
  cell: number | null;
  returned: number;
  missing: number;
  /** What became of those that did not come back as they were. */
  words: string;
}

export interface ConnectionRow {
  id: string;
  restorationId: string;
  stepId: string;
  kind: ConnectionKind;
  way: string;
  tickedAt: string | null;
}

export interface BlockRow {
  id: string;
  restorationId: string;
  firstId: string;
  thenId: string;
  why: string;
}

export interface Tray {
  id: string;
  name: string;
  columns: number;
  rows: number;
  addedAt: string;
}

/** Something that the owner is asked first. */
export interface OwnerRequest extends Asked {
  id: string;
  restorationId: string;
  what: string;
  why: string;
  alternatives: string;
  askedAt: string;
  answerWords: string;
  answeredAt: string | null;
}

/** One pass of one agent over one spot. */
export interface SinkStep extends Omit<Tried, 'outcome' | 'times'> {
  id: string;
  restorationId: string;
  findingId: string;
  pieceId: string | null;
  timerId: string | null;
  startedAt: string;
  endedAt: string | null;
  outcome: Outcome | null;
  words: string;
  photoId: string | null;
  /** Cautions that were confirmed before it. */
  cautions: Caution[];
}

export interface OwnVerdictRow extends OwnVerdict {
  id: string;
  at: string;
}

/** An agent that this workshop does not own or does not want. */
interface AgentOff {
  id: AgentId;
  at: string;
}

export interface OwnAgentRow extends OwnAgent {
  addedAt: string;
}

export interface OwnSurfaceRow extends OwnSurface {
  addedAt: string;
}

export interface TubRow extends Tub {
  id: string;
  addedAt: string;
}

export interface Person {
  id: string;
  name: string;
  addedAt: string;
}

/** Something that was taken back: its rows, so that it can be brought back, children first. */
export interface TakenBack {
  id: string;
  restorationId: string | null;
  /** What it was, as the log says it. */
  what: string;
  removed: { table: TableName; row: Record<string, unknown> }[];
  /** Fields of other rows that let go of it, as they were. */
  changed: { table: TableName; id: string; before: Record<string, unknown> }[];
  at: string;
  broughtBackAt: string | null;
}

/** What lets devices of the local network in. */
export interface Door {
  id: string;
  /** Salt and slow hash; never the passphrase itself. */
  passphrase: string | null;
  /** What the cookies are sealed with; a new one signs every device out. */
  seal: string;
  open: boolean;
  failures: number;
  shutUntil: string | null;
}

export interface FunctionTest {
  id: string;
  restorationId: string;
  phase: TestPhase;
  at: string;
  results: TestResults;
  /** A word to an item, by item. */
  words: TestWords;
  waivedWhy: string | null;
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

/** An answer to an exercise; its seed says which. */
export interface ExerciseRow {
  id: string;
  seed: number;
  answered: number;
  rightly: boolean;
  at: string;
}

/** How often a pass came to an outcome in this workshop; the database counts. */
interface LearntOutcome extends Tried {
  id: string;
}

/** What a brightened piece that went one way alone says of the rate of that way, ln k as mean and variance. */
export interface LearntRate extends RateWord {
  id: string;
  restorationId: string;
  pieceId: string;
  school: SchoolId;
  plastic: string;
  /** When its last session ended. */
  at: string;
}

/** A restoration by its id: what was learnt of it is to be worked out again. */
interface LearntStale {
  id: string;
}

/** A restoration by its id, and its newest entry in the log. */
interface Worked {
  id: string;
  logId: number;
}

/** A restoration that is put away, by its id. */
interface PutAway {
  id: string;
  at: string;
}

/** Wrong tries to enter from one place, by its address. */
interface DoorTries {
  id: string;
  /** In a row. */
  failures: number;
  /** Within the last hour of tries. */
  lately: number;
  lastAt: string;
  shutUntil: string | null;
}

/** What a form was answered with, by the key that its page made. */
interface AnsweredRow {
  id: string;
  at: string;
  value: unknown;
}

/** Which row each table holds. */
export interface RowOf {
  put_away: PutAway;
  door_tries: DoorTries;
  answered: AnsweredRow;
  workshop: Workshop;
  obstacles: ObstacleRow;
  exercises: ExerciseRow;
  restorations: Restoration;
  stages: StageRow;
  pieces: Piece;
  photos: Photo;
  measurements: Measurement;
  findings: Finding;
  stock: StockItem;
  movements: MovementRow;
  strengths: StrengthRow;
  treatments: Treatment;
  sessions: Session;
  timers: Timer;
  ledger: LedgerEntry;
  removal_steps: RemovalStep;
  lots: LotRow;
  connections: ConnectionRow;
  blocks: BlockRow;
  trays: Tray;
  function_tests: FunctionTest;
  requests: OwnerRequest;
  weather_hours: WeatherHour;
  looks_again: LookAgain;
  people: Person;
  sink_steps: SinkStep;
  own_verdicts: OwnVerdictRow;
  agents_off: AgentOff;
  own_agents: OwnAgentRow;
  own_surfaces: OwnSurfaceRow;
  tubs: TubRow;
  taken_back: TakenBack;
  learnt_outcomes: LearntOutcome;
  learnt_rates: LearntRate;
  learnt_stale: LearntStale;
  worked: Worked;
  door: Door;
  log: LogEntry;
}
