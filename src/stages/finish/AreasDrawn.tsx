import { Box, Text } from '@chakra-ui/react';
import type { Share } from '@/core/picture/picture';
import { photoUrl } from '@/ui/photoUrl';

interface Props {
  photoId: string;
  size: { width: number; height: number };
  alt: string;
  areas: readonly { id: string; corners: readonly Share[]; mark: string; hatch: boolean }[];
}

/** A photograph with what is outlined on it, each by its mark; hatched where something is no longer original, or covered. */
export function AreasDrawn({ photoId, size, alt, areas }: Props) {
  const [w, h] = [1000, (1000 * size.height) / size.width];
  return (
    <Box position="relative" maxWidth="640px" aspectRatio={`${size.width} / ${size.height}`} mb="2">
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={photoUrl(photoId, 'large')} alt={alt} style={{ width: '100%', height: '100%', display: 'block' }} />
      <svg
        viewBox={`0 0 ${w} ${h}`}
        aria-hidden
        style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
      >
        <defs>
          <pattern
            id={`hatch-${photoId}`}
            width="14"
            height="14"
            patternTransform="rotate(45)"
            patternUnits="userSpaceOnUse"
          >
            <line x1="0" y1="0" x2="0" y2="14" stroke="#b3400e" strokeWidth="5" />
          </pattern>
        </defs>
        {areas.map(({ id, corners, hatch }) => {
          const points = corners.map(({ x, y }) => `${x * w},${y * h}`).join(' ');
          return (
            <g key={id}>
              <polygon points={points} fill="none" stroke="#ffffff" strokeWidth="9" />
              <polygon
                points={points}
                fill={hatch ? `url(#hatch-${photoId})` : 'none'}
                fillOpacity={0.55}
                stroke="#12454b"
                strokeWidth="4"
              />
            </g>
          );
        })}
      </svg>
      {areas.map(({ id, corners, mark }) => (
        <Text
          key={id}
          as="span"
          aria-hidden
          position="absolute"
          left={`${100 * corners[0]!.x}%`}
          top={`${100 * corners[0]!.y}%`}
          bg="paper"
          color="ink"
          fontSize="14px"
          fontWeight="650"
          px="1"
          borderRadius="3px"
        >
          {mark}
        </Text>
      ))}
    </Box>
  );
}
