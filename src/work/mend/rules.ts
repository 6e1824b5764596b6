import { GLUES } from '@/core/mending/repair/glues';
import { MEND } from '@/core/mending/repair/ways';
import { Refusal } from '@/core/refusal';
import { showTime } from '@/core/runsheet/time';
import { countRows, findRows } from '@/data/table';
import { getWorkshop } from '@/data/workshop';
import { Op } from 'sequelize';
import type { StageRules } from '../stageRules';

export const mendRules: StageRules = {
  async onBench() {
    const running = await findRows('repairs', { endedAt: null, way: 'solvent' });
    return running.map(({ name }) => ({ name: `${GLUES.solvent.title} on ${name}`, families: ['ketone'] }));
  },
  /** Fresh glue is left alone: water, peroxide and warmth undo it before it bears. */
  async sparesPiece({ restorationId, pieceId }, now) {
    if (pieceId === null) return null;
    const [cures] = await findRows('repairs', { restorationId, pieceId, curedAt: { [Op.gt]: now.toISOString() } }, [
      ['curedAt', 'DESC'],
    ]);
    if (!cures) return null;
    const { timeZone } = await getWorkshop();
    return `Its glue still cures: ${cures.name}, through ${showTime(cures.curedAt!, timeZone)}. Leave the piece alone until then: water, peroxide, warmth and handling undo it.`;
  },
  isBegun: async (restorationId) => (await countRows('repairs', { restorationId })) > 0,
  goesOn: async (restorationId) =>
    (await countRows('repairs', { restorationId, endedAt: null, way: { [Op.ne]: null } })) > 0,
  async mayBeMarked(restorationId, { state }) {
    if (state === 'open') return;
    const [running] = await findRows('repairs', { restorationId, endedAt: null, way: { [Op.ne]: null } });
    if (running?.way)
      throw new Refusal(
        'state',
        `A repair is begun: ${running.name}, ${MEND[running.way].title.toLowerCase()}. Say first what came of it.`,
      );
  },
};
