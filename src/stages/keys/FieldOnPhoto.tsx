'use client';

import dynamic from 'next/dynamic';
import type { Corners } from '@/core/picture/corners';
import { photoUrl } from '@/ui/photoUrl';
import type { KeyPhoto } from './view';

const PictureBoard = dynamic(() => import('@/ui/picture/PictureBoard').then((part) => part.PictureBoard), {
  ssr: false,
});

/** Where the marks lie before a hand has moved them. */
export const firstCorners = ({ width, height }: Pick<KeyPhoto, 'width' | 'height'>): Corners => {
  const at = (x: number, y: number) => [Math.round(x * width), Math.round(y * height)] as const;
  return [at(0.12, 0.3), at(0.88, 0.3), at(0.88, 0.7), at(0.12, 0.7)];
};

/** A photograph of a keyboard, the four corners of its field to be moved onto their places. */
export function FieldOnPhoto({
  photo,
  corners,
  onChange,
}: {
  photo: KeyPhoto;
  corners: Corners;
  onChange: (corners: Corners) => void;
}) {
  return (
    <PictureBoard
      width={photo.width}
      height={photo.height}
      small={photoUrl(photo.id, 'large')}
      original={photoUrl(photo.id)}
      alt={`${photo.originalName}: move the four corners onto the field of the keys`}
      shapes={[{ id: 'field', kind: 'field', points: corners.map(([x, y]) => [x, y]), srgb: [0, 0, 0], paper: false }]}
      holes={[]}
      onChange={([shape]) => shape && onChange(shape.points as unknown as Corners)}
      heats={[]}
      onView={() => undefined}
    />
  );
}
