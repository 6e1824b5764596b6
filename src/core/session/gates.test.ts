import fc from 'fast-check';
import { sparedFromPeroxide } from '../materials/surfaces';
import { legendsUnknown, surfacesOfPiece } from '../materials/pieceSurfaces';
import { gatesLeft, gatesOf, tendingOf, type PieceFacts } from './gates';
import { SCHOOL, SCHOOLS } from './schools';

const plain = {
  labels: '',
  metalInside: '',
  printed: false,
  painted: false,
  clear: false,
  brittle: false,
  spared: [],
  marks: [] as string[],
};

it('a plain piece of a plastic that came through before has nothing before its start', () => {
  expect(gatesOf(SCHOOL['cream-film-sun'], plain, true)).toEqual([]);
});

it('labels, paint, windows, print and brittleness each stand before it, and a first try asks for a test piece', () => {
  const ids = (rest: Partial<PieceFacts>, tried = true) =>
    gatesOf(SCHOOL['cream-film-sun'], { ...plain, ...rest }, tried).map(({ id }) => id);
  expect(ids({}, false)).toEqual(['test-piece']);
  expect(ids({ labels: 'serial plate' })).toEqual(['labels']);
  expect(ids({ painted: true, clear: true })).toEqual(['paint', 'window']);
  expect(ids({ marks: ['school sticker'] })).toEqual(['marks']);
  expect(ids({ brittle: true })).toEqual(['test-piece', 'brittle']);
  expect(ids({ legendsUnknown: true, printed: true })).toEqual(['legends', 'test-piece']);
  const caps = { plastic: 'ABS', finish: 'textured', surfaces: [], parts: 54 };
  expect(legendsUnknown(caps)).toBe(true);
  expect(surfacesOfPiece(caps)).toContain('legend-printed');
  for (const known of [
    { ...caps, surfaces: ['legend-moulded' as const] },
    { ...caps, parts: 2 },
    { ...caps, plastic: 'metal' },
  ])
    expect(legendsUnknown(known)).toBe(false);
  const spared = sparedFromPeroxide(['abs-textured', 'plated-plastic', 'wood', 'rubber-foot', 'circuit-board']);
  expect(ids({ spared })).toEqual([
    'spared-plated-plastic',
    'spared-wood',
    'spared-rubber-foot',
    'spared-circuit-board',
  ]);
  expect(gatesOf(SCHOOL['bag-sun'], { ...plain, spared }, true)[0]!.words).toBe(
    'Plated plastic: off, or sealed so that no peroxide gets to it. Lifts plating.',
  );
  expect(ids({ printed: true })).toEqual(['test-piece']);
  expect(gatesOf(SCHOOL['bath-sun'], { ...plain, labels: 'serial plate' }, true).map(({ words }) => words)).toEqual([
    'Lifted, or taped over and kept above the solution: serial plate',
    'It is weighed down under the surface, and no face lies on another',
  ]);
});

it('every way has something to look after, and passing all gates leaves none', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...SCHOOLS),
      fc.boolean(),
      fc.boolean(),
      fc.boolean(),
      fc.boolean(),
      (id, printed, painted, clear, brittle) => {
        const gates = gatesOf(SCHOOL[id], { ...plain, printed, painted, clear, brittle }, false);
        expect(gatesLeft(gates, [])).toEqual(gates);
        expect(
          gatesLeft(
            gates,
            gates.map((gate) => gate.id),
          ),
        ).toEqual([]);
        expect(tendingOf(SCHOOL[id]).every(({ everyMin, words }) => everyMin > 0 && words.endsWith('.'))).toBe(true);
      },
    ),
  );
});
