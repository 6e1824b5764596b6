import { RUST_BRINGS, RUST_WORDS } from '@/core/finish/rustWords';
import { isLast } from '@/core/finish/coatKinds';
import { marksToKeep } from '@/core/intake/marks';
import { Refusal } from '@/core/refusal';
import { showTime } from '@/core/runsheet/time';
import { findingsOf } from '@/data/findings';
import { countRows, findRows } from '@/data/table';
import { getWorkshop } from '@/data/workshop';
import { sheetOf } from './coatSheet';
import { Op } from 'sequelize';
import type { StageRules } from '../stageRules';

const marksOf = async (restorationId: string): Promise<string[]> => marksToKeep(await findingsOf(restorationId), null);

/** A fresh coat is left alone until it is through: neither bath nor glue nor wax comes to it. */
async function wetCoat(place: { restorationId: string; pieceId: string }, now: Date): Promise<string | null> {
  const jobs = await findRows('coat_jobs', { ...place, endedAt: null });
  for (const job of jobs) {
    const { id, name } = job;
    const last = (await findRows('coats', { jobId: id }, [['rowid', 'ASC']]))
      .filter((coat) => coat.laidAt !== null)
      .at(-1);
    if (last === undefined) continue;
    const throughAt = new Date(Date.parse(last.laidAt!) + sheetOf(job, last).throughH * 3_600_000);
    if (throughAt <= now) continue;
    const { timeZone } = await getWorkshop();
    return `Its coat is not through: ${name}, until ${showTime(throughAt.toISOString(), timeZone)}. Leave the piece alone until then.`;
  }
  return null;
}

/** Peroxide and glue do not come through wax or a protectant. */
const KEPT_OFF = ['exposure', 'repair'];

async function underLastCoat(place: { restorationId: string; pieceId: string }): Promise<string | null> {
  for (const { id, name } of await findRows('coat_jobs', place)) {
    const last = (await findRows('coats', { jobId: id })).find(({ kind, laidAt }) => laidAt !== null && isLast(kind));
    if (last)
      return `A ${last.kind} lies on it: ${name}. Take it off whole with white spirit first, and note it under Finish as off again.`;
  }
  return null;
}

/** What was to be kept is looked at before finish ends; a bath of acid and a converter are left alone until they are over. */
export const finishRules: StageRules = {
  async onBench() {
    const open = await findRows('rust_steps', { endedAt: null });
    return open.map(({ way }) => ({ name: RUST_WORDS[way].title, families: RUST_BRINGS[way] }));
  },
  async sparesPiece({ restorationId, pieceId }, now, kind) {
    if (pieceId === null) return null;
    const rusts = await findRows('rusts', { restorationId, pieceId, endedAt: null });
    const [step] = await findRows(
      'rust_steps',
      { rustId: rusts.map(({ id }) => id), endedAt: null, dueAt: { [Op.gt]: now.toISOString() } },
      [['dueAt', 'DESC']],
    );
    // When the next coat may follow on a fresh one its own sheet says.
    if (!step) {
      if (kind === 'coat') return null;
      const wet = await wetCoat({ restorationId, pieceId }, now);
      return wet ?? (KEPT_OFF.includes(kind) ? underLastCoat({ restorationId, pieceId }) : null);
    }
    const { timeZone } = await getWorkshop();
    const { name } = rusts.find(({ id }) => id === step.rustId)!;
    return `${RUST_WORDS[step.way].title} goes on there: ${name}, until ${showTime(step.dueAt!, timeZone)}. Say what came of it first.`;
  },
  isBegun: async (restorationId) => (await countRows('rust_steps', { restorationId })) > 0,
  goesOn: async (restorationId) =>
    (await countRows('rust_steps', { restorationId, endedAt: null })) > 0 ||
    (await countRows('coat_jobs', { restorationId, endedAt: null })) > 0 ||
    (await marksOf(restorationId)).length > 0,
  async mayBeMarked(restorationId, { state, reason }) {
    if (state === 'open') return;
    const [step] = await findRows('rust_steps', { restorationId, endedAt: null });
    if (step)
      throw new Refusal('state', `${RUST_WORDS[step.way].title} goes on. Say first what came of it, or take it back.`);
    if (state !== 'done' || reason) return;
    const [coating] = await findRows('coat_jobs', { restorationId, endedAt: null });
    if (coating)
      throw new Refusal(
        'state',
        `The coating of “${coating.name}” is not ended. Say under Coats that it is coated, or take it back; or say here why Finish is done without it.`,
      );
    const marks = await marksOf(restorationId);
    if (marks.length > 0)
      throw new Refusal(
        'reason',
        `Look at what was to be kept first: ${marks.join('; ')}. Say whether each is still there.`,
      );
  },
};
