import { Op } from 'sequelize';
import { agentOf, type AgentId } from '@/core/materials/agents';
import { scrubMinutes } from '@/core/cleaning/bath';
import { cautionsFor } from '@/core/materials/cautions';
import { inSentence } from '@/core/materials/inSentence';
import {
  cleaningLadder,
  type Ladder,
  type OwnKnowledge,
  type Rung,
  type Spot,
  type Visible,
} from '@/core/cleaning/ladder';
import { refusedBeside, type Open } from '@/core/materials/mixing';
import type { Outcome } from '@/core/cleaning/outcomes';
import { surfacesOfPiece } from '@/core/materials/pieceSurfaces';
import { nextRung, planPiece, type NamedSpot } from '@/core/cleaning/plan';
import type { SoilId } from '@/core/cleaning/soils';
import type { SurfaceId } from '@/core/materials/surfaces';
import { verdictOnAll } from '@/core/materials/verdicts';
import type { Aim } from '@/core/intake/aim';
import { marksToKeep } from '@/core/intake/marks';
import { proposalFor } from '@/core/intake/proposals';
import type { Share } from '@/core/picture/picture';
import { Refusal } from '@/core/refusal';
import { inTransaction } from './connection';
import { lowerVerdict, ownKnowledge } from './cleaning';
import { startDrying } from './drying';
import { addFinding, findingsOf, settleFinding } from './findings';
import { appendLog } from './log';
import { needsNoAnswer } from './requests';
import { piecesOfAll, sizeOf } from './pieces';
import type { Finding, Piece, Restoration, SinkStep, Timer } from './rows';
import { addRow, changeRow, findRows, needRow } from './table';
import { addTimer } from './timers';

/** A finding that asks for the wash, with its ladder and how far it has come. */
export interface WashSpot {
  finding: Finding;
  piece: Piece | null;
  /** `null` until somebody has said what it is made of. */
  spot: Spot | null;
  ladder: Ladder | null;
  done: SinkStep[];
  running: SinkStep | null;
  next: Rung | null;
  /** What is to be kept as it is there, in words. */
  marks: string[];
}

/**
 * The machine as a whole: what is done to it must be borne by brittle shells, prints and coats alike, its labels are
 * covered, and nothing bathes it while its boards are in it. Tagged pieces have their own, gentler rules.
 */
const WHOLE = {
  surfaces: ['abs-flame-retarded', 'polystyrene', 'legend-printed', 'painted-plastic'] as SurfaceId[],
  paperLabel: 'labels on the machine',
  metalInside: 'its boards and its metal, as long as it is in one piece',
};

/** Every spot of a restoration that the wash is asked for, in the order found. */
export async function washSpots(restorationId: string, own?: OwnKnowledge): Promise<WashSpot[]> {
  const restoration = await needRow('restorations', restorationId);
  return (await washSpotsOf([restoration], own ?? (await ownKnowledge()))).get(restorationId)!;
}

/** Those of several restorations, read in as many queries as of one. */
export async function washSpotsOf(
  restorations: readonly Pick<Restoration, 'id' | 'aim'>[],
  own: OwnKnowledge,
): Promise<Map<string, WashSpot[]>> {
  const ids = restorations.map(({ id }) => id);
  const [findings, pieces, steps] = [
    await findingsOf(ids),
    await piecesOfAll(ids),
    await findRows('sink_steps', { restorationId: ids }, [['rowid', 'ASC']]),
  ];
  return new Map(
    restorations.map((restoration) => {
      const of = <T extends { restorationId: string }>(rows: readonly T[]) =>
        rows.filter(({ restorationId }) => restorationId === restoration.id);
      return [restoration.id, spotsOf(restoration, of(findings), of(pieces), of(steps), own)];
    }),
  );
}

function spotsOf(
  restoration: Pick<Restoration, 'aim'>,
  findings: readonly Finding[],
  pieces: readonly Piece[],
  steps: readonly SinkStep[],
  own: OwnKnowledge,
): WashSpot[] {
  const asked = findings.flatMap((finding) => {
    const piece = pieces.find(({ id }) => id === finding.pieceId) ?? null;
    const aim = piece?.aim ?? restoration.aim;
    const failed = steps
      .filter(
        ({ findingId, outcome }) =>
          (findingId === finding.id || findingId === finding.continues) && outcome === 'no change',
      )
      .map(({ agent }) => agent);
    return proposalFor(finding, aim).stage === 'wash'
      ? [{ finding, piece, spot: spotFor(finding, piece, aim, failed) }]
      : [];
  });
  const ladders = laddersFor(asked, own);
  return asked.map(({ finding, piece, spot }): WashSpot => {
    const all = steps.filter((step) => step.findingId === finding.id);
    const before = steps.filter((step) => step.findingId === finding.continues && step.endedAt !== null).map(leftSome);
    const done = [...before, ...all.filter(({ endedAt }) => endedAt !== null)];
    const running = all.find(({ endedAt }) => endedAt === null) ?? null;
    const ladder = ladders.get(finding.id) ?? null;
    const passes = done.flatMap(({ agent, outcome }) => (outcome === null ? [] : [{ agent, outcome }]));
    const next = ladder !== null && finding.settledAs === null && running === null ? nextRung(ladder, passes) : null;
    return { finding, piece, spot, ladder, done, running, next, marks: marksToKeep(findings, finding.pieceId) };
  });
}

/** What a pass before came to, seen from a spot that it left over: it did not take that. */
const leftSome = (step: SinkStep): SinkStep =>
  step.outcome === 'gone' || step.outcome === 'better' ? { ...step, outcome: 'no change' } : step;

function spotFor(finding: Finding, piece: Piece | null, aim: Aim, failed: readonly AgentId[]): Spot | null {
  if (finding.soil === null) return null;
  return {
    soil: finding.soil,
    surfaces: piece ? surfacesOfPiece(piece) : WHOLE.surfaces,
    severity: finding.severity,
    visible: finding.visible,
    aim,
    paperLabel: piece ? piece.labels : WHOLE.paperLabel,
    metalInside: piece ? piece.metalInside : WHOLE.metalInside,
    failed,
  };
}

/** Ladders by finding. The open spots of one piece are planned together: what may never meet stands on none of them twice. */
function laddersFor(asked: readonly { finding: Finding; spot: Spot | null }[], own: OwnKnowledge): Map<string, Ladder> {
  const ladders = new Map<string, Ladder>();
  const byPiece = new Map<string | null, NamedSpot[]>();
  for (const { finding, spot } of asked) {
    if (!spot) continue;
    // What is settled binds nobody any more.
    if (finding.settledAs !== null) ladders.set(finding.id, cleaningLadder(spot, own));
    else
      byPiece.set(finding.pieceId, [
        ...(byPiece.get(finding.pieceId) ?? []),
        { ...spot, id: finding.id, name: finding.words || finding.kind },
      ]);
  }
  for (const spots of byPiece.values())
    for (const { spot, ladder } of planPiece(spots, own).ladders) ladders.set(spot.id, ladder);
  return ladders;
}

/** Says what a finding is made of and how it is seen. */
export async function nameSoil(findingId: string, soil: SoilId, visible: Visible, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, kind, soil: before } = await needRow('findings', findingId);
    const [running] = await findRows('sink_steps', { findingId, endedAt: null });
    if (running) throw new Refusal('soil', 'It is being worked at the sink. Say first what came of that.');
    await changeRow('findings', { id: findingId }, { soil, visible });
    await appendLog(
      {
        restorationId,
        stage: 'wash',
        kind: 'finding',
        words: `${kind}: it is ${soil}, seen ${visible}.`,
        data: { findingId, before },
      },
      now,
    );
  });
}

/** What stands open on the bench, in every restoration: what is at the sink, and what is in peroxide. */
async function openOnBench(): Promise<Open[]> {
  const own = await ownKnowledge();
  const steps = await findRows('sink_steps', { endedAt: null });
  const sessions = await findRows('sessions', { endedAt: null });
  const pieces = await findRows('pieces', { id: [...steps, ...sessions].flatMap(({ pieceId }) => pieceId ?? []) });
  const tagOf = (id: string | null) => pieces.find((piece) => piece.id === id)?.tag ?? 'the machine';
  return [
    ...steps.map(({ agent, pieceId }) => ({
      name: `${inSentence(agentOf(agent, own.agents).title)} on ${tagOf(pieceId)}`,
      families: agentOf(agent, own.agents).families,
    })),
    ...sessions.map(({ pieceId }) => ({ name: `the exposure of ${tagOf(pieceId)}`, families: ['peroxide'] as const })),
  ];
}

/** Holds back what must not come to a bench where something else is open. @throws Refusal with the reason */
export async function guardBench(name: string, families: Open['families'], field: string): Promise<void> {
  const refused = refusedBeside(name, families, await openOnBench());
  if (refused) throw new Refusal(field, refused);
}

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
    const { title, families } = agentOf(agent, own.agents);
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
      if (!ladder.rungs.some((rung) => rung.agent === agent) && out?.because !== 'worth')
        throw new Refusal(
          'agent',
          out?.why ?? `${title} is no way to take off “${finding.words || finding.kind}”. Take a rung of its ladder.`,
        );
    }
    await needsNoAnswer(restorationId, { about: 'treatment', stage: 'wash', pieceId: first.pieceId }, 'agent');
    await guardBench(title, families, 'agent');
    const piece = spots[0]!.piece;
    const place = piece ? `${piece.tag} ${piece.name}` : 'the machine';
    const timer = await startSoak(agent, { restorationId, pieceId: piece?.id ?? null, place }, now);
    await addSteps(agent, spots, timer, now);
  });
}

/** The timer of an agent that has to work; `null` for one that is done at once. */
export async function startSoak(
  agent: AgentId,
  { place, ...of }: { restorationId: string; pieceId: string | null; place: string },
  now: Date,
): Promise<Timer | null> {
  const { title, dwellMin, wet } = agentOf(agent, (await ownKnowledge()).agents);
  if (dwellMin <= 1) return null;
  const atTheBell =
    wet === 'bath' ? 'Brush every face, rinse, and say what came of it.' : 'Wipe it off and say what came of it.';
  const dueAt = new Date(now.getTime() + dwellMin * 60_000).toISOString();
  return addTimer({ ...of, kind: 'sink', label: `${place}: ${inSentence(title)}`, atTheBell, dueAt }, now);
}

/** A step for each spot of one place, with the cautions that were confirmed, and the log. */
export async function addSteps(
  agent: AgentId,
  spots: readonly WashSpot[],
  timer: Timer | null,
  now: Date,
): Promise<void> {
  const own = await ownKnowledge();
  const { restorationId } = spots[0]!.finding;
  const cautions = cautionsFor(
    agentOf(agent, own.agents),
    spots.map(({ spot }) => spot!.soil),
    spots.flatMap(({ spot }) => spot!.surfaces),
    spots[0]!.marks,
  );
  for (const { finding, spot } of spots) {
    const { surface } = verdictOnAll(agent, spot!.surfaces, own);
    const step = {
      restorationId,
      findingId: finding.id,
      pieceId: finding.pieceId,
      timerId: timer?.id ?? null,
      agent,
      soil: spot!.soil,
      surface,
    };
    await addRow('sink_steps', {
      ...step,
      startedAt: now.toISOString(),
      endedAt: null,
      outcome: null,
      words: '',
      photoId: null,
      cautions,
    });
  }
  const { piece } = spots[0]!;
  const place = piece ? `${piece.tag} ${piece.name}` : 'the machine';
  const confirmed = cautions.length > 0 ? ` Cautions confirmed: ${cautions.map(({ hazard }) => hazard).join(' ')}` : '';
  const words = `${agentOf(agent, own.agents).title} on ${place}: ${spots.map(({ finding }) => finding.words || finding.kind).join('; ')}.${confirmed}`;
  const data = { findingIds: spots.map(({ finding }) => finding.id), agent };
  await appendLog({ restorationId, stage: 'wash', kind: 'sink', words, data }, now);
}

/** What came of a pass. “Harmed” lowers the verdict for this surface in this workshop; “gone” settles the finding. */
export async function endPass(stepId: string, outcome: Outcome, words: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const row = await needRow('sink_steps', stepId);
    const { title } = agentOf(row.agent, (await ownKnowledge()).agents);
    if (!(await changeRow('sink_steps', { id: stepId, endedAt: null }, { endedAt: now.toISOString(), outcome, words })))
      throw new Refusal('outcome', `This was answered already: ${row.outcome}. Nothing was counted twice.`);
    await appendLog(
      {
        restorationId: row.restorationId,
        stage: 'wash',
        kind: 'sink',
        words: `${title}: ${outcome}. ${words}`.trim(),
        data: { stepId, outcome },
      },
      now,
    );
    if (outcome === 'harmed') await lowerVerdict(row, words, now);
    const others = await findRows('sink_steps', { timerId: row.timerId, endedAt: null });
    if (row.timerId && others.length === 0)
      await changeRow('timers', { id: row.timerId, endedAt: null }, { endedAt: now.toISOString() });
    await startDrying(row, now);
    await countHands(row, now);
    if (outcome === 'gone') await settleFinding(row.findingId, 'done', title, now);
  });
}

/** The hands of a pass go to the ledger once, however many spots it was over; of a bath by the number and size of the parts. */
async function countHands({ id, restorationId, agent, pieceId, startedAt }: SinkStep, now: Date): Promise<void> {
  const same = await findRows('sink_steps', { restorationId, agent, pieceId, startedAt });
  if (same.some((other) => other.id !== id && other.endedAt !== null)) return;
  const { title, handsMin, wet } = agentOf(agent, (await ownKnowledge()).agents);
  const piece = pieceId === null ? null : await needRow('pieces', pieceId);
  const scrubbed = wet === 'bath' && piece !== null;
  const minutes = scrubbed
    ? Math.max(1, Math.round(scrubMinutes({ parts: piece.parts, size: sizeOf(piece) })))
    : handsMin;
  const parts = scrubbed && piece.parts > 1 ? `, ${piece.parts} parts` : '';
  const words = `${title}${piece ? `, ${piece.tag}` : ''}${parts}, about`;
  await addRow('ledger', {
    restorationId,
    stage: 'wash',
    kind: 'minutes',
    words,
    amountMinor: 0,
    minutes,
    at: now.toISOString(),
  });
}

/** Puts a photograph to a pass that did harm. */
export async function showHarm(stepId: string, photoId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, agent } = await needRow('sink_steps', stepId);
    const photo = await needRow('photos', photoId);
    if (photo.restorationId !== restorationId)
      throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this.');
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

/**
 * Marks what a measurement found left over after a wash: a spot each, which goes on above the rung that left it.
 *
 * @throws Refusal where the spots of this photograph are marked already, or nothing is left
 */
export async function markLeft(
  { pieceId, photoId, spots }: { pieceId: string; photoId: string; spots: readonly { pin: Share; words: string }[] },
  now: Date,
): Promise<void> {
  await inTransaction(async () => {
    const { restorationId } = await needRow('pieces', pieceId);
    const marked = await findRows('findings', { pieceId, photoId, stage: 'wash' });
    if (marked.length > 0)
      throw new Refusal('pieceId', 'What is left on this photograph is marked already. Look at its ladders.');
    if (spots.length === 0) throw new Refusal('pieceId', 'Nothing is left that stands out. There is nothing to mark.');
    const steps = await findRows('sink_steps', { pieceId, restorationId }, [['rowid', 'DESC']]);
    const last = steps[0] ? await needRow('findings', steps[0].findingId) : null;
    for (const { pin, words } of spots) {
      const finding = {
        restorationId,
        pieceId,
        stage: 'wash',
        kind: last?.kind ?? 'soiled',
        severity: 'slight',
        words,
        photoId,
        pin,
      } as const;
      const { id } = await addFinding(finding, now);
      if (last) await changeRow('findings', { id }, { continues: last.id, soil: last.soil, visible: last.visible });
    }
  });
}

/**
 * Holds a piece back from brightening while dirt on it, or on the machine as a whole, would shadow the yellow; and while
 * no step of the wash has touched it, unless the wash is settled.
 *
 * @throws Refusal that names what is left
 */
export async function needsWashed(piece: Piece): Promise<void> {
  const { restorationId } = piece;
  const open = (await washSpots(restorationId)).filter(
    ({ finding: { pieceId, settledAs } }) => settledAs === null && (pieceId === piece.id || pieceId === null),
  );
  const named = `${piece.tag} ${piece.name}`;
  const nameOf = ({ finding: { words, kind, pieceId } }: WashSpot) =>
    `${words || kind}${pieceId === null ? ' (the whole machine)' : ''}`;
  if (open.length > 0)
    throw new Refusal(
      'pieceId',
      `${named} is not washed yet: ${open.map(nameOf).join('; ')}. Dirt that is left hides yellow from the peroxide. Wash it, or settle what is left on purpose.`,
    );
  const [stage] = await findRows('stages', { restorationId, stage: 'wash' });
  if (stage?.state !== 'open') return;
  const touched = await findRows(
    'sink_steps',
    { restorationId, pieceId: [piece.id, null], endedAt: { [Op.not]: null } },
    undefined,
    1,
  );
  if (touched.length === 0)
    throw new Refusal(
      'pieceId',
      `Nothing was washed off ${named} yet, and dirt hides yellow from the peroxide. Bathe it under Wash, or mark the wash as not needed with your reason.`,
    );
}
