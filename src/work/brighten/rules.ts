import { Refusal } from '@/core/refusal';
import type { Piece, Session } from '@/data/rows';
import { countRows, findRows } from '@/data/table';
import type { StageRules } from '../stageRules';
import { endPlanned } from './planned';

/** Exposures that run, each with its piece. */
async function inTheLight(of: { restorationId?: string }): Promise<{ session: Session; piece: Piece }[]> {
  const sessions = await findRows('sessions', { ...of, endedAt: null });
  const pieces = await findRows('pieces', { id: sessions.map(({ pieceId }) => pieceId) });
  return sessions.flatMap((session) => {
    const piece = pieces.find(({ id }) => id === session.pieceId);
    return piece ? [{ session, piece }] : [];
  });
}

export const brightenRules: StageRules = {
  onBench: async () =>
    (await inTheLight({})).map(({ piece }) => ({ name: `the exposure of ${piece.tag}`, families: ['peroxide'] })),
  isBegun: async (restorationId) => (await countRows('sessions', { restorationId })) > 0,
  goesOn: async (restorationId) => (await inTheLight({ restorationId })).length > 0,
  async mayBeMarked(restorationId, { state }) {
    if (state === 'open') return;
    const tags = (await inTheLight({ restorationId })).map(({ piece }) => piece.tag);
    if (tags.length > 0)
      throw new Refusal(
        'state',
        `${tags.join(', ')} still ${tags.length === 1 ? 'lies' : 'lie'} in an exposure. End it first, with what really happened.`,
      );
  },
  async follows(restorationId, { state }, now) {
    // What was planned is given up with its stage, whatever settled that.
    if (state !== 'open') await endPlanned({ restorationId }, null, now);
    return [];
  },
};
