/** A part seen from above, to scale in its own frame. */
export function PartDrawing({
  label,
  box,
  path,
}: {
  label: string;
  box: readonly [number, number, number, number];
  path: string;
}) {
  const line = Math.max(box[2], box[3]) / 160;
  return (
    <svg
      viewBox={box.join(' ')}
      role="img"
      aria-label={label}
      style={{ display: 'block', width: '100%', maxHeight: '46vh', background: 'var(--chakra-colors-sheet)' }}
    >
      <path
        d={path}
        fill="var(--chakra-colors-paper)"
        fillRule="evenodd"
        stroke="var(--chakra-colors-ink)"
        strokeWidth={line}
      />
    </svg>
  );
}
