import type { Thing } from '@/core/teardown/lots';
import { screwShape, shankPath } from '@/core/teardown/tray';

export interface Drawn {
  thing: Thing;
  diameterMm: number;
  lengthMm: number;
  shank: string;
  head: string;
}

interface Props {
  screw: Drawn;
  /** Millimetres that the drawing is wide and high; one scale for all that stand side by side. */
  boxMm: { width: number; height: number };
  title: string;
}

/** A fastener from the side at true proportion, so that the very long ones cannot be mistaken; what is no screw as a ring or a block. */
export function Screw({ screw, boxMm, title }: Props) {
  return (
    <svg
      viewBox={`0 0 ${boxMm.width} ${boxMm.height}`}
      role="img"
      aria-label={title}
      style={{ width: '100%', height: '100%', display: 'block' }}
    >
      {screw.thing === 'screw' ? (
        <ScrewLines screw={screw} centre={boxMm.width / 2} />
      ) : (
        <Ring thing={screw.thing} diameterMm={screw.diameterMm} centre={boxMm.width / 2} />
      )}
    </svg>
  );
}

function ScrewLines({ screw, centre }: { screw: Drawn; centre: number }) {
  const shape = screwShape(screw);
  const { headWidthMm, headHeightMm, shankWidthMm, threadMm } = shape;
  const x = (offset: number) => centre + offset;
  return (
    <>
      <rect
        x={x(-headWidthMm / 2)}
        y="0"
        width={headWidthMm}
        height={headHeightMm}
        rx={headHeightMm / 3}
        fill="currentColor"
      />
      <path d={shankPath(shape, centre)} fill="currentColor" opacity="0.75" />
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
    </>
  );
}

/** A nut or washer by its bore; for the rest, whose size nobody measured, a plain block. */
function Ring({ thing, diameterMm, centre }: { thing: Thing; diameterMm: number; centre: number }) {
  if (thing !== 'nut' && thing !== 'washer')
    return <rect x={centre - 2} y="1" width="4" height="4" rx="1" fill="currentColor" opacity="0.75" />;
  const outer = diameterMm * (thing === 'nut' ? 0.9 : 1.1);
  return (
    <circle
      cx={centre}
      cy={outer + 0.5}
      r={(outer + diameterMm / 2) / 2}
      fill="none"
      stroke="currentColor"
      strokeWidth={outer - diameterMm / 2}
    />
  );
}

/** The box that shows all of these at one scale. */
export function boxFor(screws: readonly Pick<Drawn, 'diameterMm' | 'lengthMm'>[]): Props['boxMm'] {
  const height = Math.max(10, ...screws.map(({ diameterMm, lengthMm }) => diameterMm + lengthMm + 1));
  const width = Math.max(8, ...screws.map(({ diameterMm }) => 2.2 * diameterMm), 0.5 * height);
  return { width, height };
}
