'use client';

import dynamic from 'next/dynamic';
import type { Corners } from '@/core/picture/corners';
import type { Point } from '@/core/picture/picture';
import type { PhotoToMark } from './photoToMark';
import { photoUrl } from '@/ui/photoUrl';
import type { Shape } from './shapes';

const PictureBoard = dynamic(() => import('./PictureBoard').then((part) => part.PictureBoard), { ssr: false });

/** Where the marks lie before a hand has moved them. */
export const firstCorners = ({ width, height }: Pick<PhotoToMark, 'width' | 'height'>): Corners => {
  const at = (x: number, y: number) => [Math.round(x * width), Math.round(y * height)] as const;
  return [at(0.12, 0.3), at(0.88, 0.3), at(0.88, 0.7), at(0.12, 0.7)];
};

const shape = (id: string, kind: Shape['kind'], points: readonly Point[]): Shape => ({
  ...{ id, kind, srgb: [0, 0, 0], paper: false },
  points: points.map(([x, y]): Point => [x, y]),
});

/** Half the side of the mark that is set on a part, px of a picture so wide. */
const markSize = (width: number) => Math.max(4, 0.012 * width);

const boxRound = ([x, y]: Point, half: number): Point[] => [
  [x - half, y - half],
  [x + half, y - half],
  [x + half, y + half],
  [x - half, y + half],
];

/**
 * A photograph with the four corners of something flat to be moved onto their places, and where it is asked for a mark to be
 * moved onto a part.
 *
 * @param what the corners are moved onto, for those who do not see the picture
 */
export function FieldOnPhoto({
  photo,
  what,
  kind = 'field',
  corners,
  onChange,
  inside,
  onInside,
}: {
  photo: PhotoToMark;
  what: string;
  kind?: 'field' | 'known';
  corners: Corners;
  onChange: (corners: Corners) => void;
  inside?: Point;
  onInside?: (place: Point) => void;
}) {
  return (
    <PictureBoard
      width={photo.width}
      height={photo.height}
      small={photoUrl(photo.id, 'large')}
      original={photoUrl(photo.id)}
      alt={`${photo.originalName}: move the four corners onto ${what}`}
      shapes={[
        shape(kind, kind, corners),
        ...(inside ? [shape('part', 'part', boxRound(inside, markSize(photo.width)))] : []),
      ]}
      holes={[]}
      onChange={(shapes) => {
        const [field, part] = [shapes.find(({ id }) => id === kind), shapes.find(({ id }) => id === 'part')];
        if (field) onChange(field.points as unknown as Corners);
        if (part)
          onInside?.([
            part.points.reduce((sum, [x]) => sum + x, 0) / part.points.length,
            part.points.reduce((sum, [, y]) => sum + y, 0) / part.points.length,
          ]);
      }}
      heats={[]}
      onView={() => undefined}
    />
  );
}
