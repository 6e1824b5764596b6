import { withHoles } from '@/core/picture/find';
import { type Measured, measurePicture } from '@/core/picture/measure';
import type { Share } from '@/core/picture/picture';
import type { MeasureSpec } from '@/core/picture/spec';
import type { Stage } from '@/core/runsheet/stages';
import { keepMeasurement } from '../src/work/measurements';
import { HIDDEN_REGION, PIECE_REGION } from '@/data/measurements';
import { decodePicture } from '@/data/photos/decode';
import { addPhoto } from '../src/work/photos';
import type { Measurement, Photo, Piece } from '@/data/rows';
import { toJpeg } from '@/simulators/camera/jpeg';
import type { Scene } from '@/simulators/camera/scene';
import { PLAIN_SHOT, takePhotograph, type Shot } from '@/simulators/camera/shot';

const SIZE = { width: 1280, height: 960 };

interface Taking {
  restorationId: string;
  stage: Stage;
  pieceId: string | null;
  name: string;
  takenAt: Date;
  scene: Scene;
  shot?: Partial<Shot>;
}

interface TakenPhoto {
  photo: Photo;
  bytes: Buffer;
  spec: ReturnType<typeof takePhotograph>['spec'];
}

/** The simulated camera takes a photograph, and it goes in as any other would. */
export async function photograph({
  restorationId,
  stage,
  pieceId,
  name,
  takenAt,
  scene,
  shot = {},
}: Taking): Promise<TakenPhoto> {
  const { picture, spec } = takePhotograph(scene, { ...PLAIN_SHOT, ...SIZE, ...shot });
  const bytes = await toJpeg(picture, { quality: 88, takenAt });
  const photo = await addPhoto(
    { restorationId, stage, pieceId, originalName: `${name}.jpg`, words: '', bytes },
    takenAt,
  );
  return { photo, bytes, spec };
}

/** The middle of a region of the scene on its photograph, where somebody would set a pin. */
export function middleOf(
  { spec, photo: { width, height } }: TakenPhoto,
  region: string,
  aside: Share = { x: 0, y: 0 },
): Share {
  const polygon = spec.regions.find(({ id }) => id === region)!.polygon;
  const mean = (axis: 0 | 1) => polygon.reduce((sum, point) => sum + point[axis], 0) / polygon.length;
  return { x: mean(0) / width + aside.x, y: mean(1) / height + aside.y };
}

/** Photographs a piece and measures it: one of the scene's regions is the piece. */
export async function measured(taking: Taking, piece: Piece, region: string): Promise<Measurement> {
  const { photo, bytes, spec } = await photograph({ ...taking, pieceId: piece.id });
  const of = (id: string) => spec.regions.find((r) => r.id === id)!.polygon;
  const wanted: MeasureSpec = {
    card: spec.card,
    regions: [
      { id: PIECE_REGION, polygon: of(region) },
      { id: HIDDEN_REGION, polygon: of('hidden') },
    ],
    reference: HIDDEN_REGION,
  };
  const picture = await decodePicture(bytes);
  const opened = withHoles(picture, wanted, PIECE_REGION, HIDDEN_REGION);
  const { result }: Measured = measurePicture(picture, opened);
  return keepMeasurement(
    { pieceId: piece.id, photoId: photo.id, stage: taking.stage, spec: opened, result },
    taking.takenAt,
  );
}
