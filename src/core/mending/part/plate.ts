import Joi from 'joi';
import type { Point } from '../../picture/picture';
import { Refusal } from '../../refusal';
import { checkWall, mm, mmOr0, ring, type Family } from './fields';
import { movedWhole } from './fitted';
import { checkRings, circle, depthOf, withoutStraights, type Ring } from './rings';
import type { Layer } from './stack';

/** A hole for a screw whose head sinks into the upper face. */
interface ScrewHole {
  at: Point;
  holeMm: number;
  headMm: number;
  deepMm: number;
}
/** A round pin on the upper face. */
interface PlatePin {
  at: Point;
  diameterMm: number;
  highMm: number;
}
/** A straight rib on the upper face. */
interface Rib {
  from: Point;
  to: Point;
  wideMm: number;
  highMm: number;
}

interface Plate {
  outline: Ring;
  holes: readonly Ring[];
  thicknessMm: number;
  /** Of the upper edge, at 45°. */
  chamferMm: number;
  screwHoles: readonly ScrewHole[];
  pins: readonly PlatePin[];
  ribs: readonly Rib[];
}

const MOST_OF_A_KIND = 60;
const place = (label: string) =>
  Joi.array()
    .ordered(
      Joi.number().min(-10_000).max(10_000).required().label(`${label}, across`),
      Joi.number().min(-10_000).max(10_000).required().label(`${label}, down`),
    )
    .required()
    .label(label);
const some = (item: object, label: string) =>
  Joi.array().items(Joi.object(item)).max(MOST_OF_A_KIND).default([]).label(label);

/** The sides of a rib as a ring. */
function ribRing({ from: [ax, ay], to: [bx, by], wideMm }: Rib): Ring {
  const long = Math.hypot(bx - ax, by - ay);
  const [nx, ny] = [((ay - by) / long) * (wideMm / 2), ((bx - ax) / long) * (wideMm / 2)];
  return [
    [ax + nx, ay + ny],
    [ax - nx, ay - ny],
    [bx - nx, by - ny],
    [bx + nx, by + ny],
  ];
}

/** What stands on the upper face. */
const standing = ({ pins, ribs }: Plate): { field: string; ring: Ring; highMm: number }[] => [
  ...pins.map(({ at, diameterMm, highMm }, i) => ({ field: `pins[${i}]`, ring: circle(diameterMm, at), highMm })),
  ...ribs.map((rib, i) => ({ field: `ribs[${i}]`, ring: ribRing(rib), highMm: rib.highMm })),
];

/** Heights at which something of the slab begins or ends. */
const levels = ({ thicknessMm, chamferMm, screwHoles }: Plate): number[] => [
  ...new Set([0, thicknessMm - chamferMm, ...screwHoles.map(({ deepMm }) => thicknessMm - deepMm), thicknessMm]),
];

function layersOf(plate: Plate): Layer[] {
  const { outline, holes, thicknessMm, chamferMm, screwHoles } = plate;
  checkWall('thicknessMm', thicknessMm, 'This thickness');
  if (chamferMm > 0) checkWall('chamferMm', thicknessMm - chamferMm, `A chamfer of ${chamferMm} mm`);
  screwHoles.forEach(({ holeMm, headMm, deepMm }, i) => {
    if (headMm < holeMm)
      throw new Refusal(`screwHoles[${i}]`, `A head of ${headMm} mm is narrower than its hole of ${holeMm} mm.`);
    checkWall(`screwHoles[${i}]`, thicknessMm - deepMm, `A head ${deepMm} mm deep`);
  });
  const rings = [outline, ...holes].map((points) => withoutStraights(points));
  checkRings(rings.map((one, i) => ({ field: i === 0 ? 'outline' : `holes[${i - 1}]`, ring: one })));
  const at = (z: number): Ring[] => [
    movedWhole(rings[0]!, Math.min(0, thicknessMm - chamferMm - z), 'chamferMm'),
    ...rings.slice(1),
    ...screwHoles.map(({ at: middle, holeMm, headMm, deepMm }) => {
      const sunk = deepMm > 0 ? Math.max(0, (z - thicknessMm + deepMm) / deepMm) : 0;
      return circle(holeMm + (headMm - holeMm) * sunk, middle);
    }),
  ];
  const face = at(thicknessMm);
  const named = (i: number) =>
    i === 0 ? 'chamferMm' : i < rings.length ? `holes[${i - 1}]` : `screwHoles[${i - rings.length}]`;
  const stands = standing(plate);
  checkRings(face.map((one, i) => ({ field: named(i), ring: one })));
  // One after the other, so that the one that was set last is named.
  stands.forEach(({ field }, i) =>
    checkRings([...face, ...stands.slice(0, i + 1).map(({ ring: one }) => one)].map((one) => ({ field, ring: one }))),
  );
  for (const [i, one] of face.entries())
    if (i >= rings.length && depthOf(one, face) !== 1)
      throw new Refusal(named(i), 'This screw hole lies outside of the part, or in another hole. Move it.');
  for (const { field, ring: one } of stands)
    if (depthOf(one, face) !== 1) throw new Refusal(field, 'It stands outside of the part, or over a hole. Move it.');
  const heights = levels(plate).sort((a, b) => a - b);
  const slab = heights.slice(1).map((to, i): Layer => {
    const from = heights[i]!;
    const [below, above] = [at(from), at(to)];
    const straight = below.every((one, k) => one.join() === above[k]!.join());
    return { from, to, rings: below, ...(!straight && { top: above }) };
  });
  const highs = [...new Set(stands.map(({ highMm }) => highMm))].sort((a, b) => a - b);
  const upon = highs.map((highMm, i): Layer => ({
    ...{ from: thicknessMm + (highs[i - 1] ?? 0), to: thicknessMm + highMm },
    rings: stands.filter((one) => one.highMm >= highMm).map(({ ring: one }) => one),
  }));
  return [...slab, ...upon];
}

/** An outline as it is drawn runs with y down; a part stands with y up. Turned over it is the same part. */
const up = ([x, y]: Point): Point => [x, -y];

export const plate: Family<Plate> = {
  title: 'Flat part from an outline',
  schema: Joi.object({
    outline: ring('Outline').required(),
    holes: Joi.array().items(ring('Hole')).max(200).default([]).label('Holes'),
    thicknessMm: mm('Thickness'),
    chamferMm: mmOr0('Chamfer of the upper edge'),
    screwHoles: some(
      { at: place('Screw hole'), holeMm: mm('Hole'), headMm: mm('Its head'), deepMm: mmOr0('How deep the head sinks') },
      'Screw holes',
    ),
    pins: some({ at: place('Pin'), diameterMm: mm('Diameter of the pin'), highMm: mm('Height of the pin') }, 'Pins'),
    ribs: some(
      { from: place('Rib from'), to: place('Rib to'), wideMm: mm('Width of the rib'), highMm: mm('Height of the rib') },
      'Ribs',
    ),
  }),
  example: {
    outline: [
      [0, 0],
      [40, 0],
      [40, 12],
      [0, 12],
    ],
    ...{ holes: [], thicknessMm: 2, chamferMm: 0, screwHoles: [], pins: [], ribs: [] },
  },
  layers: ({ outline, holes, ...plain }) => {
    const { screwHoles = [], pins = [], ribs = [], chamferMm = 0 } = plain as Partial<Plate>;
    return layersOf({
      ...plain,
      chamferMm,
      outline: outline.map(up),
      holes: holes.map((hole) => hole.map(up)),
      screwHoles: screwHoles.map((one) => ({ ...one, at: up(one.at) })),
      pins: pins.map((one) => ({ ...one, at: up(one.at) })),
      ribs: ribs.map((one) => ({ ...one, from: up(one.from), to: up(one.to) })),
    });
  },
};
