import { usualSolutionL } from '@/core/session/amounts';
import { takesTub } from '@/core/session/supply';
import { isBath, SCHOOL, SCHOOLS, type School, type SchoolId } from '@/core/session/schools';
import { fromLocalField } from '@/core/runsheet/time';
import type { PieceSize } from '@/core/size';
import { leftWords } from '@/core/ledger/left';
import type { UnitSystem } from '@/core/units';
import type { TubRow } from '@/data/rows';
import type { Shelved } from '@/data/stock';
import type { FieldDef, Values } from '@/ui/AnswerForm';

/** Litres that pieces which lie together take, as they are typed. */
export const litresTogether = (school: SchoolId, sizes: readonly PieceSize[]) =>
  sizes.length === 0 ? '5' : sizes.reduce((sum, size) => sum + usualSolutionL(SCHOOL[school], size), 0).toFixed(1);

/** Litres that a form begins with, as it is typed. */
export const litresFor = (school: SchoolId, size: PieceSize | null) => litresTogether(school, size ? [size] : []);

const STRENGTH_UNITS = [
  { value: 'percentWW', label: '% by weight' },
  { value: 'percentWV', label: '% weight in volume' },
  { value: 'volumes', label: 'volumes' },
  { value: 'gramsPerL', label: 'grams in a litre' },
];

const BY_HAND = { value: '', label: 'amount by hand' };
const asOption = ({ id, name }: TubRow) => ({ value: id, label: name });

function bottlesFor(school: SchoolId, stock: readonly Shelved[]): Shelved[] {
  const wanted = { cream: 'peroxide cream', liquid: 'peroxide liquid', powder: 'oxygen-bleach powder' }[
    SCHOOL[school].medium
  ];
  return stock.filter(({ kind, strengthValue }) => kind === wanted && strengthValue !== null);
}

/** The bottle that a form begins with before a comparison chose one; none where the stores hold none for the way. */
export function firstBottle(school: SchoolId, stock: readonly Shelved[]): string {
  const bottles = bottlesFor(school, stock);
  return (bottles.find(({ left }) => left !== 0) ?? bottles[0])?.id ?? '';
}

const STANDS = [
  { value: '', label: 'mixed now from this bottle' },
  { value: 'true', label: 'stands already from before' },
];

/** What was chosen in the form, as far as it decides what else is asked. */
export interface Chosen {
  school: SchoolId;
  /** The bottle is one of the stores. */
  fromStores: boolean;
  inTub: boolean;
  when: When;
}

/** How a window stands to now: still to come, to be begun now, begun a while ago, or over already. */
export type When = 'later' | 'now' | 'begun' | 'over';

/** A window that opens within this is begun now, not planned. */
const SOON_MS = 15 * 60_000;

const MINUTE_MS = 60_000;

/** A clock on screen shows whole minutes: what begins in this one begins now. */
export function whenIs(from: string, durationMin: number, now: Date): When {
  const begins = Date.parse(from);
  if (begins > now.getTime() + SOON_MS) return 'later';
  if (begins > now.getTime() - MINUTE_MS) return 'now';
  return begins + durationMin * MINUTE_MS > now.getTime() ? 'begun' : 'over';
}

export function chosenIn(
  { school, stockId, tubId, windowStart, durationMin }: Values,
  timeZone: string,
  now: Date,
): Chosen {
  const from = fromLocalField(windowStart ?? '', timeZone);
  return {
    school: school as SchoolId,
    fromStores: stockId !== '',
    inTub: tubId !== '',
    when: from === null ? 'now' : whenIs(from, Number(durationMin) || 0, now),
  };
}

const wayHint = ({ summary, speaksFor, speaksAgainst, usualHours: [least, most] }: School) =>
  `${summary} ${speaksFor} Against it: ${speaksAgainst.toLowerCase()} Usually ${least} to ${most} h.`;

/** What is asked for a way: its bottle or tube, its bath in a tub or by litres, its window. */
export function fieldsFor(
  { school, fromStores, inTub }: Chosen,
  stock: readonly Shelved[],
  tubs: readonly TubRow[],
  units: UnitSystem,
): FieldDef[] {
  const { driver, medium } = SCHOOL[school];
  const bath = isBath(SCHOOL[school]);
  const inside = takesTub(SCHOOL[school]);
  const what = bath ? 'tub' : 'box';
  const bottles = bottlesFor(school, stock);
  const powder: FieldDef[] = [
    {
      name: 'strengthValue',
      label: 'Percarbonate in the powder',
      kind: 'number',
      unit: '%',
      half: true,
      hint: 'From its label',
    },
  ];
  const typed: FieldDef[] = [
    { name: 'strengthValue', label: 'Strength on the label', kind: 'number', half: true },
    { name: 'strengthUnit', label: 'The label counts in', kind: 'choice', half: true, options: STRENGTH_UNITS },
  ];
  const optional: (FieldDef | false)[] = [
    {
      name: 'school',
      label: 'Way',
      kind: 'choice',
      options: SCHOOLS.map((id) => ({ value: id, label: SCHOOL[id].title })),
      hint: wayHint(SCHOOL[school]),
    },
    {
      name: 'stockId',
      label: { cream: 'Tube or bottle of cream', liquid: 'Stock bottle', powder: 'Tub of powder' }[medium],
      kind: 'choice',
      options: [
        ...bottles.map((bottle) => ({ value: bottle.id, label: `${bottle.name}${leftWords(bottle, units)}` })),
        { value: '', label: 'one that is not in the stores' },
      ],
    },
    ...(fromStores ? [] : medium === 'powder' ? powder : typed),
    medium !== 'cream' && { name: 'stands', label: 'The solution is', kind: 'choice', half: true, options: STANDS },
    medium !== 'cream' && {
      name: 'targetPercentWW',
      label: 'Strength wanted',
      kind: 'number',
      unit: '% by weight',
      half: true,
    },
    inside &&
      tubs.length > 0 && {
        name: 'tubId',
        label: bath ? 'Tub' : 'Box with a lid',
        kind: 'choice',
        half: true,
        options: [...tubs.map(asOption), BY_HAND],
      },
    inside && inTub
      ? bath && {
          name: 'weightG',
          label: 'Weight of the piece',
          kind: 'number',
          unit: 'g',
          half: true,
          optional: true,
          hint: 'Takes off what it pushes aside, and says what holds it under',
        }
      : medium !== 'cream' && {
          name: 'volumeL',
          label: 'Liquid wanted',
          kind: 'number',
          unit: 'L',
          half: true,
          ...(inside && tubs.length === 0 && { hint: `A ${what} measured under Wash works it out` }),
        },
    medium === 'cream' && {
      name: 'areaCm2',
      label: 'Surface to cover',
      kind: 'number',
      unit: 'cm²',
      hint: 'Brushed on about 1 mm (0.04 in) thick',
    },
    { name: 'windowStart', label: 'From', kind: 'time', half: true },
    { name: 'durationMin', label: 'For', kind: 'number', unit: 'min', half: true },
    { name: 'turnEveryMin', label: 'Turn every', kind: 'number', unit: 'min', half: true },
    driver === 'sun' && { name: 'cloudPercent', label: 'Cloud', kind: 'number', unit: '% of the sky', half: true },
    driver === 'lamp' && {
      name: 'lampMwPerCm2',
      label: 'UV-A at the piece',
      kind: 'number',
      unit: 'mW/cm²',
      half: true,
      hint: 'From the lamp’s sheet or a meter',
    },
    { name: 'temperatureC', label: 'Temperature', kind: 'number', unit: '°C', half: true },
    { name: 'toleranceB', label: 'Good enough within', kind: 'number', unit: 'b*', half: true },
  ];
  return optional.filter((field): field is FieldDef => field !== false);
}
