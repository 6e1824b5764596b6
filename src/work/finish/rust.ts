import { acidBath, type BathAcid } from '@/core/finish/acidBath';
import { conducts, rustLadder, type RustOutcome, type RustPatch, type RustWay } from '@/core/finish/rust';
import { RUST_BRINGS, RUST_CAUTIONS, RUST_WORDS } from '@/core/finish/rustWords';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { RustRow, RustShareRow, RustStepRow } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';
import { settleFinding } from '../findings';
import { ownKnowledge } from '@/data/cleaning';
import { beginRun } from '../run';
import { takeBack } from '../takenBack';
import { addTimer } from '../timers';
import { needsOwnPhoto } from '../mend/parts';

const HOUR_MS = 3_600_000;

const told = (rust: Pick<RustRow, 'restorationId' | 'name'>, words: string, data?: unknown) =>
  ({
    ...{ restorationId: rust.restorationId, stage: 'finish' as const, kind: 'rust', words: `${rust.name}: ${words}` },
    ...(data ? { data } : {}),
  }) as const;

/**
 * Keeps what a rusted place is like, on the piece that its finding is on; told again it is put right.
 *
 * @throws Refusal while a step on it goes on
 */
export async function tellRust(
  given: { restorationId: string; findingId: string; name: string; patch: RustPatch },
  now: Date,
): Promise<string> {
  return inTransaction(async () => {
    const finding = await needRow('findings', given.findingId);
    if (finding.restorationId !== given.restorationId)
      throw new Refusal('findingId', 'This finding belongs to another restoration. Choose it under its own machine.');
    const row = { ...given, pieceId: finding.pieceId, at: now.toISOString() };
    const [open] = await findRows('rusts', { findingId: given.findingId, endedAt: null });
    if (open) {
      if (await goingOn(open.id))
        throw new Refusal('kind', 'A step on it goes on. Say what came of that first, or take it back.');
      await changeRow('rusts', { id: open.id }, row);
      return open.id;
    }
    const { id } = await addRow('rusts', {
      ...row,
      ...{ ohmBefore: null, ohmAfter: null, endedAt: null, outcome: null, words: '' },
    });
    return id;
  });
}

const goingOn = async (rustId: string): Promise<RustStepRow | undefined> =>
  (await findRows('rust_steps', { rustId, endedAt: null }))[0];

async function stillOpen(rustId: string): Promise<RustRow> {
  const rust = await needRow('rusts', rustId);
  if (rust.endedAt !== null)
    throw new Refusal('rustId', 'This place was ended meanwhile, perhaps on another device. Load the page again.');
  return rust;
}

/**
 * Begins a rung on a rusted place; a bath and a converter get their clock.
 *
 * @throws Refusal where the rung is ruled out there, another goes on, or the bench holds what it must not meet
 */
export async function beginRung(
  {
    rustId,
    way,
    acid,
    percent,
    bathC,
    masked,
  }: { rustId: string; way: RustWay; acid: BathAcid; percent: number; bathC: number; masked: boolean },
  now: Date,
): Promise<void> {
  const own = await ownKnowledge();
  await inTransaction(async () => {
    const rust = await stillOpen(rustId);
    const { restorationId, pieceId, patch, name } = rust;
    if (await goingOn(rustId))
      throw new Refusal('way', 'A step on it goes on already. Say what came of that first, or take it back.');
    const ladder = rustLadder(patch, bathC, own);
    const rung = ladder.rungs.find((one) => one.way === way);
    if (!rung) throw new Refusal('way', 'This way is ruled out on this place, with its reason beside it.');
    if (rung.caution.includes('lead dust') && !masked)
      throw new Refusal(
        'masked',
        'Old paint that nobody knows may hold lead: not without a mask for fine dust, and wet. Put it on, and say so.',
      );
    const hours =
      way === 'acid bath'
        ? acidBath({ acid, percent, temperatureC: bathC, rustUm: ladder.rustUm }).hours
        : way === 'converter'
          ? rung.waitH
          : 0;
    const dueAt = hours > 0 ? new Date(now.getTime() + hours * HOUR_MS).toISOString() : null;
    const { title, bell } = RUST_WORDS[way];
    await beginRun<void>(
      {
        ...{ stage: 'finish', kind: 'rust', on: [{ restorationId, pieceId }] },
        brings: { name: title, families: RUST_BRINGS[way], fields: { bench: 'way', owner: 'way' } },
        keep: async () => {
          await addRow('rust_steps', {
            ...{ restorationId, rustId, way, startedAt: now.toISOString(), dueAt },
            ...{ endedAt: null, outcome: null, words: '' },
          });
          const clock = { restorationId, pieceId, label: `${name}: ${title.toLowerCase()}` };
          // The second coat of a converter wants hands half way.
          if (dueAt && way === 'converter')
            await addTimer(
              {
                ...clock,
                atTheBell: 'Lay the second coat, as thin as the first.',
                dueAt: new Date(now.getTime() + (hours / 2) * HOUR_MS).toISOString(),
              },
              now,
            );
          if (dueAt) await addTimer({ ...clock, atTheBell: bell, dueAt }, now);
        },
        told: () => [
          {
            ...told(rust, `${title} begun.`),
            cautions: rung.caution.map((id) => RUST_CAUTIONS[id]),
            data: { rustId, way },
          },
        ],
      },
      now,
    );
  });
}

/** What came of a rung; its clock ends with it. */
export async function endRung(
  { stepId, outcome, words }: { stepId: string; outcome: RustOutcome; words: string },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const step = await needRow('rust_steps', stepId);
    if (step.endedAt !== null)
      throw new Refusal(
        'stepId',
        'What came of it was said meanwhile, perhaps on another device. Load the page again.',
      );
    const rust = await needRow('rusts', step.rustId);
    const { title } = RUST_WORDS[step.way];
    await changeRow('rust_steps', { id: stepId }, { endedAt: now.toISOString(), outcome, words });
    await endClock(rust, step, now);
    await appendLog(told(rust, `${title}: ${outcome}. ${words}`.trim(), { rustId: rust.id, stepId }), now);
  });
}

const endClock = (rust: RustRow, step: RustStepRow, now: Date) =>
  changeRow(
    'timers',
    {
      ...{ restorationId: rust.restorationId, endedAt: null },
      label: `${rust.name}: ${RUST_WORDS[step.way].title.toLowerCase()}`,
      // Two places of one name may soak side by side.
      startedAt: step.startedAt,
    },
    { endedAt: now.toISOString() },
  );

/** A rung that was not begun after all; its clock ends with it. */
export async function takeRungBack(id: string, now: Date): Promise<string> {
  return inTransaction(async () => {
    const step = await needRow('rust_steps', id);
    const rust = await needRow('rusts', step.rustId);
    if (step.endedAt === null) await endClock(rust, step, now);
    return takeBack(
      {
        ...{ restorationId: step.restorationId, stage: 'finish', what: `${rust.name}, ${RUST_WORDS[step.way].title}` },
        remove: [{ table: 'rust_steps', where: { id } }],
      },
      now,
    );
  });
}

/** Keeps how much of its face is rusty on a photograph. */
export async function keepRustShare(
  given: Pick<RustShareRow, 'rustId' | 'photoId' | 'share' | 'low' | 'high' | 'pits'>,
  now: Date,
): Promise<string> {
  return inTransaction(async () => {
    const rust = await needRow('rusts', given.rustId);
    const { restorationId } = rust;
    await needsOwnPhoto(restorationId, given.photoId);
    const { id } = await addRow('rust_shares', { ...given, restorationId, at: now.toISOString() });
    const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
    await appendLog(
      told(rust, `${percent(given.share)} of its face rusty (${percent(given.low)} to ${percent(given.high)}).`, {
        rustShareId: id,
      }),
      now,
    );
    return id;
  });
}

export async function takeShareBack(id: string, now: Date): Promise<string> {
  const { restorationId, share } = await needRow('rust_shares', id);
  return takeBack(
    {
      ...{ restorationId, stage: 'finish', what: `share of rust, ${(100 * share).toFixed(1)} %` },
      remove: [{ table: 'rust_shares', where: { id } }],
    },
    now,
  );
}

/** Resistance between its contact lands, before or after. */
export async function readOhm(
  { rustId, when, ohm }: { rustId: string; when: 'before' | 'after'; ohm: number },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const rust = await stillOpen(rustId);
    await changeRow('rusts', { id: rustId }, when === 'before' ? { ohmBefore: ohm } : { ohmAfter: ohm });
    await appendLog(told(rust, `${when}: ${ohm} ohm from land to land.`, { rustId }), now);
  });
}

/**
 * What became of a rusted place. Done or left, its finding is closed.
 *
 * @throws Refusal while a step goes on, where it must conduct and was not read after, or where it is left without a reason
 */
export async function endRust(
  { rustId, outcome, words }: { rustId: string; outcome: 'done' | 'left' | 'replaced'; words: string },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const rust = await stillOpen(rustId);
    if (await goingOn(rustId)) throw new Refusal('outcome', 'A step on it goes on. Say what came of that first.');
    if (outcome === 'left' && !words)
      throw new Refusal('words', 'Say in a few words why it is left; it goes into the record.');
    if (outcome === 'done' && rust.patch.task === 'shield and conduct') {
      if (rust.ohmAfter === null)
        throw new Refusal('outcome', 'It must conduct: read it from land to land with the meter first.');
      if (!conducts(rust.ohmAfter))
        throw new Refusal(
          'outcome',
          `It read ${rust.ohmAfter} ohm, which does not shield. Bare the lands, tighten the screws and read again; or say that it is left, and why.`,
        );
    }
    await changeRow('rusts', { id: rustId }, { endedAt: now.toISOString(), outcome, words });
    await appendLog(told(rust, `${outcome}. ${words}`.trim(), { rustId }), now);
    if (rust.findingId !== null)
      await settleFinding(
        rust.findingId,
        outcome === 'left' ? 'left on purpose' : 'done',
        words || `rust: ${outcome}`,
        now,
      );
  });
}

/** A rusted place that was told by mistake. @throws Refusal once something was done to it */
export async function takeRustBack(id: string, now: Date): Promise<string> {
  const { restorationId, name } = await needRow('rusts', id);
  if ((await findRows('rust_steps', { rustId: id })).length > 0)
    throw new Refusal(
      'id',
      `Something was done to “${name}”, and that stays in the record. Say what became of it instead.`,
    );
  return takeBack(
    {
      ...{ restorationId, stage: 'finish', what: `rusted place ${name}` },
      remove: [
        { table: 'rust_shares', where: { rustId: id } },
        { table: 'rusts', where: { id } },
      ],
    },
    now,
  );
}
