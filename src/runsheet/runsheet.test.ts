import { VALIDATE } from '@/core/sums/fieldErrors';
import type { Measurement, Piece } from '@/data/rows';
import { PLAIN } from '@/work/pieces';
import { TRIAL_PIECE } from '@/work/trial';
import { distanceWords, marksOf } from './marks';
import { findingSchema, materialSchema, minutesSchema, noteSchema, settleFindingSchema } from '@/clipboard/schema';
import { pieceSchema, settleStageSchema } from './schema';

const piece: Piece = { ...PLAIN, ...TRIAL_PIECE, id: 'p', restorationId: 'r', hiddenLab: [87, 0, 5] };

const measurement = (id: string, b: number): Measurement => ({
  id,
  restorationId: 'r',
  pieceId: 'p',
  photoId: 'x',
  stage: 'brighten',
  measuredAt: '2026-06-21T10:00:00Z',
  spec: { card: [], regions: [] },
  result: { regions: [], card: { patches: 1, residualDeltaE00: 0, method: 'gain' }, basis: 'card', warnings: [] },
  basis: 'card',
  lab: [82, 1, b],
  hiddenLab: [87, 0, 5],
  deltaE00: 9.1,
  deltaB: b - 5,
  yellownessIndex: 30,
  verdict: 'to go',
});

describe('a piece on the plastic scale', () => {
  it('shows its hidden patch, its first and its newest colour', () => {
    const marks = marksOf({ piece, first: measurement('a', 25), latest: measurement('b', 14) });
    expect(marks.map(({ kind, lab }) => [kind, lab[2]])).toEqual([
      ['hidden', 5],
      ['earlier', 25],
      ['now', 14],
    ]);
  });

  it('shows one measurement once, and nothing where nothing was measured', () => {
    const only = measurement('a', 25);
    expect(marksOf({ piece, first: only, latest: only }).map(({ kind }) => kind)).toEqual(['hidden', 'now']);
    expect(marksOf({ piece: { ...piece, hiddenLab: null }, first: null, latest: null })).toEqual([]);
  });

  it('says its distance in words', () => {
    expect(distanceWords({ piece, first: null, latest: null })).toBe('not measured yet');
    expect(distanceWords({ piece, first: null, latest: measurement('a', 25) })).toBe('ΔE00 9.1, b* +20.0: to go');
    expect(distanceWords({ piece, first: null, latest: measurement('a', 2) })).toContain('−3.0');
    expect(distanceWords({ piece, first: null, latest: { ...measurement('a', 2), deltaE00: null } })).toBe(
      'measured without a hidden patch',
    );
  });
});

describe('what the stage sheet sends', () => {
  const place = { restorationId: 'r', stage: 'wash' };
  const errorOf = (
    schema: { validate: (given: unknown, options: object) => { error?: { message: string } } },
    given: object,
  ) => schema.validate(given, VALIDATE).error?.message ?? '';

  it.each([
    [noteSchema, { ...place, words: '  ' }, 'Write a few words'],
    [noteSchema, { ...place, stage: 'nowhere', words: 'x' }, 'is none of these'],
    [minutesSchema, { ...place, minutes: '0', words: 'x' }, 'must be at least 1'],
    [minutesSchema, { ...place, minutes: '2000', words: 'x' }, 'must be at most 1440'],
    [minutesSchema, { ...place, minutes: 'many', words: 'x' }, 'is not a number'],
    [materialSchema, { ...place, words: 'soap', cost: '-1' }, 'must be at least 0'],
    [findingSchema, { ...place, kind: 'haunted', severity: 'bad' }, 'is none of these'],
    [settleFindingSchema, { findingId: 'f', settledAs: 'forgotten' }, 'is none of these'],
    [settleStageSchema, { ...place, state: 'half' }, 'is none of these'],
    [pieceSchema, { restorationId: 'r', tag: '', name: 'Lid', plastic: 'ABS', finish: 'smooth' }, 'masking tape'],
    [
      pieceSchema,
      { restorationId: 'r', tag: 'K1', name: 'Lid', plastic: 'ABS', finish: 'smooth', lengthMm: '-4' },
      'must be more than 0',
    ],
  ])('%# is refused with what would be right', (schema, given, words) => {
    expect(errorOf(schema as never, given)).toContain(words);
  });

  it('takes empty fields for what is not known', () => {
    expect(
      pieceSchema.validate({
        restorationId: 'r',
        tag: 'K1',
        name: 'Lid',
        plastic: 'ABS',
        finish: 'smooth',
        lengthMm: '',
        labels: '',
      }).value,
    ).toMatchObject({
      lengthMm: null,
      labels: '',
    });
    expect(findingSchema.validate({ ...place, kind: 'rust', severity: 'bad', pieceId: '' }).value).toMatchObject({
      pieceId: null,
      words: '',
    });
    expect(materialSchema.validate({ ...place, words: 'soap', cost: '' }).value).toMatchObject({ cost: 0 });
  });
});
