import { Box } from '@chakra-ui/react';
import { useId } from 'react';

/** A bottle as full as it is; empty outlines where nobody knows. */
export function Bottle({ left, size }: { left: number | null; size: number | null }) {
  const liquid = useId();
  const share = left !== null && size ? Math.min(1, left / size) : left === 0 ? 0 : null;
  const [top, bottom] = [22, 76];
  const level = share === null ? bottom : bottom - share * (bottom - top);
  const body = 'M14 4 H26 V14 C26 18 34 19 34 26 V72 Q34 76 30 76 H10 Q6 76 6 72 V26 C6 19 14 18 14 14 Z';
  return (
    <Box asChild flex="none" color="work">
      <svg width="40" height="80" viewBox="0 0 40 80" aria-hidden>
        <clipPath id={liquid}>
          <rect x="0" y={level} width="40" height={80 - level} />
        </clipPath>
        <path d={body} fill="currentColor" opacity="0.75" clipPath={`url(#${liquid})`} />
        <path
          d={body}
          fill="none"
          stroke="var(--chakra-colors-ink)"
          strokeWidth="2"
          {...(share === null && { strokeDasharray: '4 3' })}
        />
      </svg>
    </Box>
  );
}
