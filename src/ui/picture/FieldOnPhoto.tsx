'use client';

import { Box } from '@chakra-ui/react';
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

/** A place that is marked, by its name. */
export interface NamedMark {
  title: string;
  at: Point;
}

const shape = (id: string, kind: Shape['kind'], points: readonly Point[]): Shape => ({
  ...{ id, kind, srgb: [0, 0, 0], paper: false },
  points: points.map(([x, y]): Point => [x, y]),
});

interface Props {
  photo: PhotoToMark;
  /** What is moved onto what, for those who do not see the picture. */
  what: string;
  kind?: 'field' | 'known';
  /** Four corners of something flat; `null` where none are asked for. */
  corners: Corners | null;
  /** What has the corners, where it is neither a field of keys nor a thing of known size. */
  cornersTitle?: string;
  onChange?: (corners: Corners) => void;
  marks?: readonly NamedMark[];
  onMarks?: (places: Point[]) => void;
  /** Outlines that were found. */
  rings?: readonly (readonly Point[])[];
}

/** A picture by its addresses: one that is kept, or one that was only chosen. */
interface PictureAt {
  name: string;
  width: number;
  height: number;
  small: string;
  original: string;
}

/** A picture with marks to be moved onto their places. */
export const MarksOnPicture = ({ picture, ...rest }: Omit<Props, 'photo' | 'corners'> & { picture: PictureAt }) => (
  <BoardOf picture={picture} corners={null} {...rest} />
);

/** A photograph with the corners of something flat, and marks, to be moved onto their places. */
export const FieldOnPhoto = ({ photo, ...rest }: Props) => (
  <BoardOf
    picture={{
      ...{ name: photo.originalName, width: photo.width, height: photo.height },
      ...{ small: photoUrl(photo.id, 'large'), original: photoUrl(photo.id) },
    }}
    {...rest}
  />
);

function BoardOf({
  picture,
  what,
  kind = 'field',
  corners,
  cornersTitle,
  onChange,
  marks = [],
  onMarks,
  rings = [],
}: Omit<Props, 'photo'> & { picture: PictureAt }) {
  return (
    // As high as the picture from the start: what stands below it does not move when it comes.
    <Box aspectRatio={picture.width / picture.height}>
      <PictureBoard
        width={picture.width}
        height={picture.height}
        small={picture.small}
        original={picture.original}
        alt={`${picture.name}: move the ${corners ? 'four corners' : 'marks'} onto ${what}`}
        shapes={[
          ...(corners ? [{ ...shape(kind, kind, corners), ...(cornersTitle && { title: cornersTitle }) }] : []),
          ...marks.map(({ title, at }, i): Shape => ({ ...shape(`mark-${i}`, 'mark', [at]), title })),
        ]}
        holes={rings}
        onChange={(shapes) => {
          const field = shapes.find(({ id }) => id === kind);
          if (field) onChange?.(field.points as unknown as Corners);
          const places = shapes.filter((one) => one.kind === 'mark').map(({ points }) => points[0]!);
          if (places.length > 0) onMarks?.(places);
        }}
        heats={[]}
        onView={() => undefined}
      />
    </Box>
  );
}
