/** What is outlined on a photograph: a piece of the machine, a place that a coat must not come to, or what nobody else is to see. */
export const AREA_USES = ['piece', 'contact land', 'badge', 'label', 'neighbour', 'private'] as const;
export type AreaUse = (typeof AREA_USES)[number];
type MaskUse = Exclude<AreaUse, 'piece' | 'private'>;

/** How each is covered, and when it is bared again. */
export const MASK_WORDS: Record<MaskUse, string> = {
  'contact land': 'polyimide tape or thick grease, no primer under it: bare metal has to meet bare metal',
  badge: 'tape cut along its edge with a blade laid flat, or lift it off where it lifts',
  label: 'low-tack tape over a strip of paper, so that no glue touches the print; paper labels lie dry',
  neighbour: 'paper and tape to the next edge; tape off while the last coat is still soft',
};

/** Places of a piece that a coat must not come to; what was outlined for the whole machine counts for every piece, and alone where no piece is named. */
export const masksFor = <T extends { use: AreaUse; pieceId: string | null }>(
  areas: readonly T[],
  pieceId: string | null,
): (T & { use: MaskUse })[] =>
  areas.filter(
    (area): area is T & { use: MaskUse } =>
      area.use !== 'piece' && area.use !== 'private' && (area.pieceId === null || area.pieceId === pieceId),
  );
