const THIRDS = { across: ['left', 'middle', 'right'], down: ['top', 'middle', 'bottom'] } as const;

/** A place on a face, 0 to 1 each way, in words. */
export function placeOnFace(across: number, down: number): string {
  const third = (share: number) => Math.min(2, Math.max(0, Math.floor(3 * share)));
  const [h, v] = [THIRDS.across[third(across)]!, THIRDS.down[third(down)]!];
  return h === 'middle' && v === 'middle'
    ? 'in the middle'
    : h === 'middle'
      ? `at the ${v}`
      : v === 'middle'
        ? `at the ${h}`
        : `${v} ${h}`;
}
