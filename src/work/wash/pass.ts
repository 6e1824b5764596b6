import { ownPhoto } from '../own';
import { settleFinding } from '../findings';
import { lowerVerdict } from '../knowledge';
import { placeOf, together } from '../names';
import { beginRun, endRun, type Beginning } from '../run';
import { addTimer } from '../timers';
import { startDrying } from './drying';
import { type WashSpot, washSpots } from './spots';
import { scrubMinutes } from '@/core/cleaning/bath';
import type { OwnKnowledge } from '@/core/cleaning/ladder';
import type { Caution } from '@/core/peroxide/cautions';
import type { Outcome } from '@/core/cleaning/outcomes';
import { type AgentId, agentOf } from '@/core/materials/agents';
import { cautionsFor } from '@/core/materials/cautions';
import { inSentence } from '@/core/materials/inSentence';
import { verdictOnAll } from '@/core/materials/verdicts';
import { Refusal } from '@/core/refusal';
import { ownKnowledge } from '@/data/cleaning';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import { sizeOf } from '@/data/pieces';
import type { Piece, SinkStep, Timer } from '@/data/rows';
import { addRow, changeRow, countRows, findRows, needRow } from '@/data/table';

/**
 * Starts a pass: one agent over one or several spots of a piece. The timer runs where it has to work.
 *
 * @throws Refusal where a surface forbids it, the bench does, the owner has to be asked, or a spot is not that far
 */
export async function startPass(findingIds: readonly string[], agent: AgentId, now: Date): Promise<void> {
  await inTransaction(async () => {
    const first = await needRow('findings', findingIds[0]!);
    const { restorationId } = first;
    const spots = (await washSpots(restorationId)).filter(({ finding }) => findingIds.includes(finding.id));
    if (spots.length !== findingIds.length)
      throw new Refusal('findingIds', 'One of these spots does not ask for the wash any more. Look at the list again.');
    const own = await ownKnowledge();
    const { title } = agentOf(agent, own.agents);
    for (const { finding, spot, running, ladder } of spots) {
      if (running)
        throw new Refusal(
          'findingIds',
          `“${finding.words || finding.kind}” is being worked already, perhaps on another screen.`,
        );
      if (!spot || !ladder)
        throw new Refusal('findingIds', `Say first what “${finding.words || finding.kind}” is made of.`);
      const out = ladder.ruledOut.find((known) => known.agent === agent);
      // What the ladder does not know for this soil was weighed by nobody: it does not start either.
      if (!ladder.rungs.some((rung) => rung.agent === agent) && out?.because !== 'worth' && out?.because !== 'together')
        throw new Refusal(
          'agent',
          out?.why ?? `${title} is no way to take off “${finding.words || finding.kind}”. Take a rung of its ladder.`,
        );
    }
    await beginPass(
      agent,
      [spots[0]!.piece],
      restorationId,
      async () => [spots],
      { bench: 'agent', owner: 'agent' },
      now,
    );
  });
}

/**
 * One agent goes over the spots of one or several places, with one timer.
 *
 * @param spotsOf what it goes over at each place, once nothing holds it back
 */
export async function beginPass(
  agent: AgentId,
  places: readonly (Piece | null)[],
  restorationId: string,
  spotsOf: () => Promise<WashSpot[][]>,
  fields: { bench: string; owner: string },
  now: Date,
): Promise<void> {
  const own = await ownKnowledge();
  const { title, families } = agentOf(agent, own.agents);
  const run: Beginning<WashSpot[][]> = {
    stage: 'wash',
    kind: 'sink',
    on: places.map((piece) => ({ restorationId, pieceId: piece?.id ?? null })),
    brings: { name: title, families, fields },
    async keep() {
      const spots = await spotsOf();
      const timer = await startSoak(agent, restorationId, places, now);
      for (const of of spots) await addSteps(agent, of, timer, own, now);
      return spots;
    },
    told: (kept) =>
      kept.map((spots) => ({
        restorationId,
        words: `${title} on ${placeOf(spots[0]!.piece)}: ${spots.map(({ finding }) => finding.words || finding.kind).join('; ')}.`,
        cautions: cautionsOf(agent, spots, own),
        data: { findingIds: spots.map(({ finding }) => finding.id), agent },
      })),
  };
  await beginRun(run, now);
}

/** The timer of an agent that has to work; `null` for one that is done at once. */
async function startSoak(
  agent: AgentId,
  restorationId: string,
  places: readonly (Piece | null)[],
  now: Date,
): Promise<Timer | null> {
  const { title, dwellMin, wet } = agentOf(agent, (await ownKnowledge()).agents);
  if (dwellMin <= 1) return null;
  const pieces = places.flatMap((piece) => piece ?? []);
  const atTheBell =
    wet === 'bath' ? 'Brush every face, rinse, and say what came of it.' : 'Wipe it off and say what came of it.';
  return addTimer(
    {
      restorationId,
      pieceId: pieces.length === 1 ? pieces[0]!.id : null,
      kind: 'sink',
      label: `${pieces.length > 0 ? together(pieces) : placeOf(null)}: ${inSentence(title)}`,
      atTheBell,
      dueAt: new Date(now.getTime() + dwellMin * 60_000).toISOString(),
    },
    now,
  );
}

/** The cautions of an agent on the spots of one place. */
const cautionsOf = (agent: AgentId, spots: readonly WashSpot[], own: OwnKnowledge): Caution[] =>
  cautionsFor(
    agentOf(agent, own.agents),
    spots.map(({ spot }) => spot!.soil),
    spots.flatMap(({ spot }) => spot!.surfaces),
    spots[0]!.marks,
  );

/** A step for each spot of one place, with the cautions that were confirmed. */
async function addSteps(
  agent: AgentId,
  spots: readonly WashSpot[],
  timer: Timer | null,
  own: OwnKnowledge,
  now: Date,
): Promise<void> {
  const cautions = cautionsOf(agent, spots, own);
  for (const { finding, spot } of spots)
    await addRow('sink_steps', {
      restorationId: finding.restorationId,
      findingId: finding.id,
      pieceId: finding.pieceId,
      timerId: timer?.id ?? null,
      agent,
      soil: spot!.soil,
      surface: verdictOnAll(agent, spot!.surfaces, own).surface,
      startedAt: now.toISOString(),
      endedAt: null,
      outcome: null,
      words: '',
      photoId: null,
      cautions,
    });
}

/** What came of a pass. “Harmed” lowers the verdict for this surface in this workshop; “gone” closes the finding. */
export async function endPass(stepId: string, outcome: Outcome, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const row = await needRow('sink_steps', stepId);
    const { title } = agentOf(row.agent, (await ownKnowledge()).agents);
    if (!(await changeRow('sink_steps', { id: stepId, endedAt: null }, { endedAt: now.toISOString(), outcome, words })))
      throw new Refusal('outcome', `This was answered already: ${row.outcome}. Nothing was counted twice.`);
    const isLast =
      row.timerId !== null && (await countRows('sink_steps', { timerId: row.timerId, endedAt: null })) === 0;
    await endRun(
      {
        restorationId: row.restorationId,
        stage: 'wash',
        kind: 'sink',
        words: `${title}: ${outcome}. ${words}`,
        data: { stepId, outcome },
        bells: isLast ? { id: row.timerId } : null,
        hands: await handsOf(row),
      },
      now,
    );
    if (outcome === 'harmed') await lowerVerdict(row, words, now);
    await startDrying(row, now);
    if (outcome === 'gone') await settleFinding(row.findingId, 'done', title, now);
  });
}

/** The hands of a pass, once, however many spots it was over; of a bath by the number and size of the parts. */
async function handsOf(step: SinkStep): Promise<{ words: string; minutes: number } | null> {
  const { id, restorationId, agent, pieceId, startedAt } = step;
  const same = await findRows('sink_steps', { restorationId, agent, pieceId, startedAt });
  if (same.some((other) => other.id !== id && other.endedAt !== null)) return null;
  const { title, handsMin, wet } = agentOf(agent, (await ownKnowledge()).agents);
  const piece = pieceId === null ? null : await needRow('pieces', pieceId);
  const scrubbed = wet === 'bath' && piece !== null;
  const minutes = scrubbed
    ? Math.max(1, Math.round(scrubMinutes({ parts: piece.parts, size: sizeOf(piece) })))
    : handsMin;
  const parts = scrubbed && piece.parts > 1 ? `, ${piece.parts} parts` : '';
  return { words: `${title}${piece ? `, ${piece.tag}` : ''}${parts}, about`, minutes };
}

/** Puts a photograph to a pass that did harm. */
export async function showHarm(stepId: string, photoId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, agent } = await needRow('sink_steps', stepId);
    await ownPhoto(restorationId, photoId);
    const { title } = agentOf(agent, (await ownKnowledge()).agents);
    await changeRow('sink_steps', { id: stepId }, { photoId });
    await appendLog(
      {
        restorationId,
        stage: 'wash',
        kind: 'sink',
        words: `Photograph of what ${inSentence(title)} did.`,
        data: { stepId, photoId },
      },
      now,
    );
  });
}
