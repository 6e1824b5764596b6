import Joi from 'joi';
import type { Lab } from '@/core/colour/types';
import { MOST } from '@/core/limits';
import { STRENGTH_UNITS } from '@/core/peroxide/strength';
import type { TestWay } from '@/core/peroxide/bottle';
import type { BenchThings } from '@/core/schedule/facts/facts';
import type { WeekHours } from '@/core/runsheet/hours';
import { MOST_SHEETS, type SheetGreys } from '@/core/picture/greySheetPlan';
import { sheetGreysSchema } from '@/core/picture/spec';
import { UNIT_SYSTEMS } from '@/core/units';
import { SCHOOLS } from '@/core/session/schools';
import {
  choice,
  flag,
  id,
  json,
  known,
  minor,
  naming,
  namingAcross,
  ofRestoration,
  orNull,
  real,
  table,
  text,
  textOrNull,
  time,
  timeOrNull,
  whole,
  type Row,
} from '../column';

const COUNT = whole(0, Number.MAX_SAFE_INTEGER);

/** The workshop itself: its place, people, stores, timers and door, and what Kvell keeps for its own use. */
export const WORKSHOP_TABLES = {
  workshop: table({
    columns: {
      id,
      name: text(),
      latitude: orNull(real(-90, 90)),
      longitude: orNull(real(-180, 180)),
      altitudeM: real(-500, 9000),
      /** Ozone column as it was stated, DU; `null`: by latitude and day. */
      ozoneDU: orNull(real(100, 600)),
      timeZone: text(),
      units: choice(UNIT_SYSTEMS),
      currency: text(),
      hourlyRateMinor: minor,
      /** When somebody is there to turn a piece and to hear a bell, Monday to Sunday. */
      hours: json<WeekHours>(Joi.array()),
      /** UV-A of the lamp at the piece, mW/cm²; 0 without one. */
      lampMwPerCm2: real(0, MOST.lampMwPerCm2),
      /** How many of each there are at the bench; `null` before anybody said. */
      things: orNull(json<BenchThings>(Joi.object())),
    },
  }),
  people: table({
    noun: 'name',
    columns: {
      id,
      name: text(),
      addedAt: time,
      /** Where they are not the workshop’s. */
      hours: orNull(json<WeekHours>(Joi.array())),
      /** Days on which this person is not there, as `2026-06-21`. */
      daysOff: json<string[]>(Joi.array()),
    },
  }),
  stock: table({
    noun: 'bottle',
    columns: {
      id,
      name: text(MOST.name),
      kind: text(60),
      strengthValue: orNull(real(0, MOST.strength)),
      strengthUnit: orNull(choice(STRENGTH_UNITS)),
      sizeMl: orNull(real(0, MOST.stockMl)),
      priceMinor: orNull(minor),
      addedAt: time,
      words: text(MOST.words),
    },
  }),
  /** What came out of a bottle, or was found in it. */
  movements: table({
    columns: {
      id,
      stockId: namingAcross,
      restorationId: orNull(ofRestoration),
      kind: choice(['used', 'counted']),
      /** By how much its content changed, mL, or g of powder; negative for what was taken out. */
      change: real(-Infinity, Infinity),
      at: time,
    },
  }),
  /** How strong a bottle was found to be. */
  strengths: table({
    columns: { id, stockId: namingAcross, percentWW: real(0, 100), how: known<TestWay>(Joi.string()), at: time },
  }),
  /** A machine that gives its parts to others. */
  donors: table({
    noun: 'donor',
    columns: { id, name: text(MOST.name), words: text(MOST.words), addedAt: time },
  }),
  /** A part that sits on a donor, or was taken from it for a restoration. */
  donor_parts: table({
    noun: 'part of a donor',
    columns: {
      id,
      donorId: namingAcross,
      what: text(MOST.name),
      lengthMm: orNull(real(0, MOST.donorPartMm)),
      widthMm: orNull(real(0, MOST.donorPartMm)),
      heightMm: orNull(real(0, MOST.donorPartMm)),
      /** Between the middles of its holes. */
      spacingMm: orNull(real(0, MOST.donorPartMm)),
      lab: orNull(json<Lab>(Joi.array())),
      words: text(MOST.words),
      addedAt: time,
      /** For which it was taken, and when. */
      restorationId: orNull(ofRestoration),
      takenAt: timeOrNull,
    },
  }),
  /** A printer with what is in it, as its test bar came out: bar of 100 mm, pin and hole of 10. */
  printers: table({
    noun: 'printer',
    columns: {
      id,
      name: text(MOST.name),
      barMm: real(50, 200),
      pinMm: real(5, 20),
      holeMm: real(5, 20),
      /** What a kilogram of its filament costs. */
      kgMinor: orNull(minor),
      at: time,
    },
  }),
  timers: table({
    noun: 'timer',
    columns: {
      id,
      /** What it times: an exposure, a pass at the sink, a piece that dries, or something else. */
      kind: choice(['exposure', 'sink', 'drying', 'other']),
      restorationId: orNull(ofRestoration),
      pieceId: orNull(naming('pieces')),
      sessionId: orNull(naming('sessions')),
      /** The repair whose glue cures. */
      repairId: orNull(naming('repairs')),
      label: text(),
      atTheBell: text(),
      startedAt: time,
      dueAt: time,
      remindEveryMin: orNull(whole(1, MOST.plannedMin)),
      nextReminderAt: timeOrNull,
      endedAt: timeOrNull,
      /** Of a session that is planned, not begun: its way, and when the window that opens with the bell closes. */
      plannedSchool: orNull(choice(SCHOOLS)),
      plannedTo: timeOrNull,
    },
  }),
  /** A printed sheet of greys, photographed beside a card of known colour; of one number the last counts. */
  grey_sheets: table({
    columns: {
      id,
      number: whole(1, MOST_SHEETS),
      /** From the lightest on, 0 to 255; `null` where the card did not tell it. */
      greys: json<SheetGreys>(sheetGreysSchema),
      at: time,
    },
  }),
  /** Something that was taken back: its rows, so that it can be brought back, children first. */
  taken_back: table({
    columns: {
      id,
      restorationId: orNull(ofRestoration),
      /** What it was, as the log says it. */
      what: text(),
      removed: json<{ table: string; row: Record<string, unknown> }[]>(Joi.array()),
      /** Fields of other rows that let go of it, as they were. */
      changed: json<{ table: string; id: string; before: Record<string, unknown> }[]>(Joi.array()),
      at: time,
      broughtBackAt: timeOrNull,
    },
  }),
  /** A restoration that is put away, by its id; one that was deleted goes for good at a time. */
  put_away: table({ columns: { id, at: time, goesAt: timeOrNull, goneAt: timeOrNull } }),
  /** A restoration by its id: what was learnt of it is to be worked out again. */
  learnt_stale: table({ columns: { id } }),
  /** A restoration by its id, and its newest entry in the log. */
  worked: table({ columns: { id, logId: COUNT } }),
  /** What a form was answered with, by the key that its page made. */
  answered: table({ columns: { id, at: time, value: orNull(json<unknown>(Joi.any())) } }),
  /** What lets devices of the local network in. */
  door: table({
    columns: {
      id,
      /** Salt and slow hash; never the passphrase itself. */
      passphrase: textOrNull,
      /** What the cookies are sealed with; a new one signs every device out. */
      seal: text(),
      open: flag,
      failures: COUNT,
      shutUntil: timeOrNull,
    },
  }),
  /** Wrong tries to enter from one place, by its address. */
  door_tries: table({
    columns: {
      id,
      /** In a row. */
      failures: COUNT,
      /** Within the last hour of tries. */
      lately: COUNT,
      lastAt: time,
      shutUntil: timeOrNull,
    },
  }),
};

export type Workshop = Row<typeof WORKSHOP_TABLES.workshop>;
export type GreySheetRow = Row<typeof WORKSHOP_TABLES.grey_sheets>;
export type Person = Row<typeof WORKSHOP_TABLES.people>;
export type Donor = Row<typeof WORKSHOP_TABLES.donors>;
export type DonorPartRow = Row<typeof WORKSHOP_TABLES.donor_parts>;
export type Printer = Row<typeof WORKSHOP_TABLES.printers>;
export type StockItem = Row<typeof WORKSHOP_TABLES.stock>;
export type MovementRow = Row<typeof WORKSHOP_TABLES.movements>;
export type Timer = Row<typeof WORKSHOP_TABLES.timers>;
export type TakenBack = Row<typeof WORKSHOP_TABLES.taken_back>;
export type PutAwayRow = Row<typeof WORKSHOP_TABLES.put_away>;
export type Door = Row<typeof WORKSHOP_TABLES.door>;
