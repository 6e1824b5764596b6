import { screwShape, shankPath } from '@/core/teardown/tray';

interface Props {
  screw: { diameterMm: number; lengthMm: number; shank: string; head: string };
  /** Millimetres that the drawing is wide and high; one scale for all that stand side by side. */
  boxMm: { width: number; height: number };
  title: string;
}

/** A fastener from the side at true proportion, so that the very long ones cannot be mistaken. */
export function Screw({ screw, boxMm, title }: Props) {
  const shape = screwShape(screw);
  const { headWidthMm, headHeightMm, shankWidthMm, threadMm } = shape;
  const x = (offset: number) => boxMm.width / 2 + offset;
  return (
    <svg viewBox={`0 0 ${boxMm.width} ${boxMm.height}`} role="img" aria-label={title} style={{ width: '100%', height: '100%', display: 'block' }}>
      <rect x={x(-headWidthMm / 2)} y="0" width={headWidthMm} height={headHeightMm} rx={headHeightMm / 3} fill="currentColor" />
      <path d={shankPath(shape, boxMm.width / 2)} fill="currentColor" opacity="0.75" />
      {threadMm.map((at) => (
        <line
          key={at}
          x1={x(-shankWidthMm / 2)}
          x2={x(shankWidthMm / 2)}
          y1={headHeightMm + at}
          y2={headHeightMm + at - shankWidthMm * 0.2}
          stroke="var(--chakra-colors-sheet)"
          strokeWidth="0.25"
        />
      ))}
    </svg>
  );
}

/** The box that shows all of these at one scale. */
export function boxFor(screws: readonly { diameterMm: number; lengthMm: number }[]): Props['boxMm'] {
  const height = Math.max(10, ...screws.map(({ diameterMm, lengthMm }) => diameterMm + lengthMm + 1));
  const width = Math.max(8, ...screws.map(({ diameterMm }) => 2.2 * diameterMm), 0.5 * height);
  return { width, height };
}
