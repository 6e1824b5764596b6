import type { PaintSheet } from '@/core/finish/coat';
import type { Photo, Piece } from '@/data/rows';
import type { Share } from '@/core/picture/picture';
import { hazeOf } from '@/core/finish/haze';
import { decodePicture } from '@/data/photos/decode';
import { hazeMarksOn, hazeScene } from '@/simulators/camera/haze';
import { addArea, addHaze, addLostMark, addOrigin, settleLostMark } from '../src/work/finish/lastly';
import { endCoating, layCoat, planCoating } from '../src/work/finish/coats';
import { addPiece } from '../src/work/pieces';
import { mixingFor } from './mixtures';
import { photograph } from './photographs';

type Clock = (daysAgo: number, hour: number, minute?: number) => Date;

const MIX = 'white metal paint, satin';
/** As the tin of the paint says: a next coat within four hours, or a day later and keyed. */
const PAINT: PaintSheet = {
  ...{ lowestC: 8, highestC: 30, highestHumidityPercent: 80, touchH: 1, throughH: 24, keyed: false },
  ...{ soonestH: 1, latestH: 4, againFromH: 24 },
};
const WAX: PaintSheet = { ...PAINT, touchH: 0.5, soonestH: 1, latestH: null, againFromH: null, throughH: 12 };
const READINGS = { airC: 19, surfaceC: 18.5, humidityPercent: 56, windMs: 1.5 };

/** Where shell and caps lie on the photograph of the machine as it came, shares of it. */
const SHELL = [
  [0.106, 0.204],
  [0.898, 0.204],
  [0.937, 0.777],
  [0.066, 0.777],
] as const;
const CAPS = [
  [0.139, 0.377],
  [0.867, 0.377],
  [0.884, 0.725],
  [0.114, 0.725],
] as const;

/** The scuffed metal cover of the card cage: matched on test cards, painted in three coats of which one missed its window, waxed. */
export async function brimselCover(
  restorationId: string,
  { came, shell, caps }: { came: Photo; shell: Piece; caps: Piece },
  plain: Parameters<typeof addPiece>[0],
  at: Clock,
): Promise<void> {
  const cover = await addPiece(
    {
      ...{ ...plain, tag: 'K3', name: 'Cover of the card cage', plastic: 'metal', finish: 'painted' },
      ...{ lengthMm: 150, widthMm: 70, heightMm: 8 },
    },
    at(8, 11, 14),
  );
  const { photographed, next } = mixingFor(
    cover,
    { ...{ use: 'paint', base: MIX, seed: 5 }, piece: { ochre: 0.12, black: 0.16, blue: 0.02 } },
    (minute) => new Date(at(7, 15).getTime() + 60_000 * minute),
  );
  const cards = await photographed('cards on the cover', [{}, { ochre: 8 }, { black: 5 }, { blue: 4 }], 0);
  await photographed('first mixture of paint', [next()], 90);
  await photographed('second mixture of paint', [next()], 180);
  const inner: Share[] = [
    { x: 0.72, y: 0.72 },
    { x: 0.8, y: 0.72 },
    { x: 0.8, y: 0.8 },
    { x: 0.72, y: 0.8 },
  ];
  await addArea(
    {
      ...{ restorationId, photoId: cards.id, pieceId: cover.id, use: 'label', name: 'inspection seal' },
      corners: inner,
    },
    at(6, 9),
  );
  for (const [{ id: pieceId }, corners] of [
    [shell, SHELL],
    [caps, CAPS],
  ] as const)
    await addArea(
      {
        ...{ restorationId, photoId: came.id, pieceId, use: 'piece', name: '' },
        corners: corners.map(([x, y]) => ({ x, y })),
      },
      at(6, 9, 5),
    );
  const job = { restorationId, pieceId: cover.id, areaCm2: 230, inside: false, masks: '' };
  const painted = await planCoating(
    {
      ...{ ...job, name: 'Cover of the card cage', way: 'sprayed', coverageM2PerL: 8, sheet: PAINT },
      kinds: ['top coat', 'top coat', 'top coat'],
    },
    at(6, 9, 10),
  );
  const lay = (jobId: string, when: Date, words: string) =>
    layCoat({ jobId, readings: READINGS, airDrawn: false, covered: true, words }, when);
  await lay(painted, at(6, 10), 'mist coat');
  await lay(painted, at(6, 12), 'even');
  // The afternoon was damp, its window went by: keyed and laid the day after next.
  await lay(painted, at(4, 11), 'window missed for damp; keyed with 800, dusted off, then laid');
  await endCoating(painted, at(3, 12));
  const waxed = await planCoating(
    {
      ...{ ...job, name: 'Cover, wax', way: 'brushed', inside: true, coverageM2PerL: 125, sheet: WAX },
      kinds: ['wax', 'wax'],
    },
    at(3, 13),
  );
  await lay(waxed, at(3, 14), 'thin, flannel');
  await lay(waxed, at(3, 16), 'thin, buffed');
  await endCoating(waxed, at(2, 9));
  const stripe = await addLostMark(
    {
      ...{ restorationId, pieceId: cover.id, photoId: null, kind: 'stripe', name: 'grey stripe along its front' },
      ...{ left: true, raised: true, widthMm: 2.5, lengthMm: 146, fromEdgeMm: 4, words: '' },
    },
    at(6, 9, 20),
  );
  await settleLostMark(
    { lostMarkId: stripe, way: 'painted and wiped', done: true, words: 'overrun wiped with a finger' },
    at(3, 12, 30),
  );
  await addLostMark(
    {
      ...{ restorationId, pieceId: shell.id, photoId: null, kind: 'logo', name: 'print of the badge' },
      ...{ left: false, raised: false, widthMm: null, lengthMm: null, fromEdgeMm: null, words: '' },
    },
    at(6, 9, 25),
  );
  await addOrigin(
    {
      ...{ restorationId, pieceId: shell.id, what: 'left rear foot', state: 'makeshift', share: 0.01 },
      words: 'felt pad until the parcel is here',
    },
    at(3, 18),
  );
  for (const [haze, name, after, seed, when] of [
    [0.31, 'window-as-it-came', '', 61, at(7, 19)],
    [0.12, 'window-polished', 'polish by hand', 62, at(5, 19)],
  ] as const) {
    const window = { haze, through: [0.86, 0.86, 0.8], paper: 0.82, ink: 0.05, uneven: 0.1, reflected: 0.005, seed };
    const { photo, bytes, spec } = await photograph({
      ...{ restorationId, stage: 'finish', pieceId: shell.id, name, takenAt: when },
      scene: hazeScene({ ...window, through: [...window.through] as [number, number, number] }, [[160, 160, 160]]),
      shot: { seed, tilt: 0.15 },
    });
    const seen = hazeOf(await decodePicture(bytes), hazeMarksOn(spec), 0.006 * photo.width);
    await addHaze(
      { ...{ restorationId, pieceId: shell.id, photoId: photo.id, name: 'Window of the lamps', after }, ...seen },
      when,
    );
  }
}
