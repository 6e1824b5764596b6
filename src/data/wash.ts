import type { Transaction } from 'sequelize';
import { agentOf, type AgentId } from '@/core/cleaning/agents';
import { dryAt, dryHours } from '@/core/cleaning/drying';
import { inSentence } from '@/core/cleaning/inSentence';
import { cleaningLadder, type Ladder, type OwnKnowledge, type Rung, type Spot, type Visible } from '@/core/cleaning/ladder';
import { refusedBeside, type Open } from '@/core/cleaning/mixing';
import type { Outcome } from '@/core/cleaning/outcomes';
import { surfacesOfPiece } from '@/core/cleaning/pieceSurfaces';
import { nextRung, planPiece, type NamedSpot } from '@/core/cleaning/plan';
import type { SoilId } from '@/core/cleaning/soils';
import { surfaceOf, type SurfaceId } from '@/core/cleaning/surfaces';
import { lowered, verdictOnAll, type CleaningVerdict } from '@/core/cleaning/verdicts';
import type { Aim } from '@/core/intake/aim';
import { proposalFor } from '@/core/intake/proposals';
import { Refusal } from '@/core/refusal';
import { database, inTransaction } from './connection';
import { findingsOf, settleFinding } from './findings';
import { appendLog } from './log';
import { needsNoAnswer } from './requests';
import type { AgentOff, Finding, OwnVerdictRow, Piece, SinkStep, TubRow } from './rows';
import { addRow, changeRow, findRow, findRows, needRow } from './table';

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
}

/** How the timer of a piece that dries is called. */
export const DRYING = ': drying';

/**
 * The machine as a whole: what is done to it must be borne by brittle shells, prints and coats alike, its labels are
 * covered, and nothing bathes it while its boards are in it. Tagged pieces have their own, gentler rules.
 */
const WHOLE = {
  surfaces: ['abs-flame-retarded', 'polystyrene', 'legend-printed', 'painted-plastic'] as SurfaceId[],
  paperLabel: 'labels on the machine',
  metalInside: 'its boards and its metal, as long as it is in one piece',
};

/** What this workshop has seen, forbidden and does not own. */
export async function ownKnowledge(transaction?: Transaction): Promise<OwnKnowledge> {
  const [steps, verdicts, off] = await Promise.all([
    findRows('sink_steps', {}, [['startedAt', 'ASC']], transaction),
    findRows('own_verdicts', {}, [['at', 'ASC']], transaction),
    findRows('agents_off', {}, undefined, transaction),
  ]);
  const tried = steps.flatMap(({ agent, soil, surface, outcome }) => (outcome === null ? [] : [{ agent, soil, surface, outcome }]));
  return { tried, verdicts, off: off.map(({ id }) => id) };
}

/** Every spot of a restoration that the wash is asked for, in the order found. */
export async function washSpots(restorationId: string, transaction?: Transaction): Promise<WashSpot[]> {
  const [restoration, findings, pieces, steps, own] = [
    await needRow('restorations', restorationId, transaction),
    await findingsOf(restorationId, transaction),
    await findRows('pieces', { restorationId }, undefined, transaction),
    await findRows('sink_steps', { restorationId }, [['startedAt', 'ASC']], transaction),
    await ownKnowledge(transaction),
  ];
  const asked = findings.flatMap((finding) => {
    const piece = pieces.find(({ id }) => id === finding.pieceId) ?? null;
    const aim = piece?.aim ?? restoration.aim;
    return proposalFor(finding, aim).stage === 'wash' ? [{ finding, piece, spot: spotFor(finding, piece, aim) }] : [];
  });
  const ladders = laddersFor(asked, own);
  return asked.map(({ finding, piece, spot }): WashSpot => {
    const all = steps.filter((step) => step.findingId === finding.id);
    const done = all.filter(({ endedAt }) => endedAt !== null);
    const running = all.find(({ endedAt }) => endedAt === null) ?? null;
    const ladder = ladders.get(finding.id) ?? null;
    const passes = done.flatMap(({ agent, outcome }) => (outcome === null ? [] : [{ agent, outcome }]));
    const next = ladder !== null && finding.settledAs === null && running === null ? nextRung(ladder, passes) : null;
    return { finding, piece, spot, ladder, done, running, next };
  });
}

function spotFor(finding: Finding, piece: Piece | null, aim: Aim): Spot | null {
  if (finding.soil === null) return null;
  return {
    soil: finding.soil,
    surfaces: piece ? surfacesOfPiece(piece) : WHOLE.surfaces,
    severity: finding.severity,
    visible: finding.visible,
    aim,
    paperLabel: piece ? piece.labels : WHOLE.paperLabel,
    metalInside: piece ? piece.metalInside : WHOLE.metalInside,
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
    else byPiece.set(finding.pieceId, [...(byPiece.get(finding.pieceId) ?? []), { ...spot, id: finding.id, name: finding.words || finding.kind }]);
  }
  for (const spots of byPiece.values()) for (const { spot, ladder } of planPiece(spots, own).ladders) ladders.set(spot.id, ladder);
  return ladders;
}

/** Says what a finding is made of and how it is seen. */
export async function nameSoil(findingId: string, soil: SoilId, visible: Visible): Promise<void> {
  await inTransaction(async (transaction) => {
    const { restorationId, kind, soil: before } = await needRow('findings', findingId, transaction);
    const [running] = await findRows('sink_steps', { findingId, endedAt: null }, undefined, transaction);
    if (running) throw new Refusal('soil', 'It is being worked at the sink. Say first what came of that.');
    await changeRow('findings', { id: findingId }, { soil, visible }, transaction);
    await appendLog(
      { restorationId, stage: 'wash', kind: 'finding', words: `${kind}: it is ${soil}, seen ${visible}.`, data: { findingId, before } },
      transaction,
    );
  });
}

/** What stands open on the bench, in every restoration: what is at the sink, and what is in peroxide. */
async function openOnBench(transaction: Transaction): Promise<Open[]> {
  const steps = await findRows('sink_steps', { endedAt: null }, undefined, transaction);
  const sessions = await findRows('sessions', { endedAt: null }, undefined, transaction);
  const pieces = await findRows('pieces', {}, undefined, transaction);
  const tagOf = (id: string | null) => pieces.find((piece) => piece.id === id)?.tag ?? 'the machine';
  return [
    ...steps.map(({ agent, pieceId }) => ({ name: `${inSentence(agentOf(agent).title)} on ${tagOf(pieceId)}`, families: agentOf(agent).families })),
    ...sessions.map(({ pieceId }) => ({ name: `the exposure of ${tagOf(pieceId)}`, families: ['peroxide'] as const })),
  ];
}

/** Holds back what must not come to a bench where something else is open. @throws Refusal with the reason */
export async function guardBench(name: string, families: Open['families'], field: string, transaction: Transaction): Promise<void> {
  const refused = refusedBeside(name, families, await openOnBench(transaction));
  if (refused) throw new Refusal(field, refused);
}

/**
 * Starts a pass: one agent over one or several spots of a piece. The timer runs where it has to work.
 *
 * @throws Refusal where a surface forbids it, the bench does, the owner has to be asked, or a spot is not that far
 */
export async function startPass(findingIds: readonly string[], agent: AgentId, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const first = await needRow('findings', findingIds[0]!, transaction);
    const { restorationId } = first;
    const spots = (await washSpots(restorationId, transaction)).filter(({ finding }) => findingIds.includes(finding.id));
    if (spots.length !== findingIds.length)
      throw new Refusal('findingIds', 'One of these spots does not ask for the wash any more. Look at the list again.');
    const { title, families, dwellMin, wet } = agentOf(agent);
    for (const { finding, spot, running, ladder } of spots) {
      if (running) throw new Refusal('findingIds', `“${finding.words || finding.kind}” is being worked already, perhaps on another screen.`);
      if (!spot || !ladder) throw new Refusal('findingIds', `Say first what “${finding.words || finding.kind}” is made of.`);
      const out = ladder.ruledOut.find((known) => known.agent === agent);
      // What the ladder does not know for this soil was weighed by nobody: it does not start either.
      if (!ladder.rungs.some((rung) => rung.agent === agent) && out?.because !== 'worth')
        throw new Refusal('agent', out?.why ?? `${title} is no way to take off “${finding.words || finding.kind}”. Take a rung of its ladder.`);
    }
    await needsNoAnswer(restorationId, { about: 'treatment', stage: 'wash', pieceId: first.pieceId }, 'agent', transaction);
    await guardBench(title, families, 'agent', transaction);
    const piece = spots[0]!.piece;
    const place = piece ? `${piece.tag} ${piece.name}` : 'the machine';
    const timer =
      dwellMin > 1
        ? await addRow(
            'timers',
            {
              restorationId,
              pieceId: piece?.id ?? null,
              sessionId: null,
              label: `${place}: ${inSentence(title)}`,
              atTheBell: wet === 'bath' ? 'Brush every face, rinse, and say what came of it.' : 'Wipe it off and say what came of it.',
              startedAt: now.toISOString(),
              dueAt: new Date(now.getTime() + dwellMin * 60_000).toISOString(),
              remindEveryMin: null,
              nextReminderAt: null,
              endedAt: null,
            },
            transaction,
          )
        : null;
    for (const { finding, spot } of spots) {
      const { surface } = verdictOnAll(agent, spot!.surfaces);
      const step = {
        restorationId,
        findingId: finding.id,
        pieceId: finding.pieceId,
        timerId: timer?.id ?? null,
        agent,
        soil: spot!.soil,
        surface,
        startedAt: now.toISOString(),
      };
      await addRow('sink_steps', { ...step, endedAt: null, outcome: null, words: '', photoId: null }, transaction);
    }
    await appendLog(
      {
        restorationId,
        stage: 'wash',
        kind: 'sink',
        words: `${title} on ${place}: ${spots.map(({ finding }) => finding.words || finding.kind).join('; ')}.`,
        data: { findingIds, agent },
      },
      transaction,
      now,
    );
  });
}

/** What came of a pass. “Harmed” lowers the verdict for this surface in this workshop; “gone” settles the finding. */
export async function endPass(stepId: string, outcome: Outcome, words: string, now = new Date()): Promise<void> {
  const step = await inTransaction(async (transaction) => {
    const row = await needRow('sink_steps', stepId, transaction);
    const { title } = agentOf(row.agent);
    if (!(await changeRow('sink_steps', { id: stepId, endedAt: null }, { endedAt: now.toISOString(), outcome, words }, transaction)))
      throw new Refusal('outcome', `This was answered already: ${row.outcome}. Nothing was counted twice.`);
    await appendLog(
      { restorationId: row.restorationId, stage: 'wash', kind: 'sink', words: `${title}: ${outcome}. ${words}`.trim(), data: { stepId, outcome } },
      transaction,
      now,
    );
    if (outcome === 'harmed') await lowerVerdict(row, words, now, transaction);
    const others = await findRows('sink_steps', { timerId: row.timerId, endedAt: null }, undefined, transaction);
    if (row.timerId && others.length === 0)
      await changeRow('timers', { id: row.timerId, endedAt: null }, { endedAt: now.toISOString() }, transaction);
    await startDrying(row, now, transaction);
    await countHands(row, now, transaction);
    return row;
  });
  if (outcome === 'gone') await settleFinding(step.findingId, 'done', agentOf(step.agent).title, now);
}

/** The hands of a pass go to the ledger once, however many spots it was over. */
async function countHands({ id, restorationId, agent, pieceId, startedAt }: SinkStep, now: Date, transaction: Transaction): Promise<void> {
  const same = await findRows('sink_steps', { restorationId, agent, pieceId, startedAt }, undefined, transaction);
  if (same.some((other) => other.id !== id && other.endedAt !== null)) return;
  const { title, handsMin } = agentOf(agent);
  await addRow(
    'ledger',
    { restorationId, stage: 'wash', kind: 'minutes', words: `${title}, about`, amountMinor: 0, minutes: handsMin, at: now.toISOString() },
    transaction,
  );
}

async function lowerVerdict({ agent, surface, restorationId }: SinkStep, words: string, now: Date, transaction: Transaction): Promise<void> {
  const own = await findRows('own_verdicts', {}, undefined, transaction);
  const verdict = lowered(verdictOnAll(agent, [surface], own).verdict) as Exclude<CleaningVerdict, 'fine'>;
  const reason = `It harmed one here. ${words}`.trim();
  await addRow('own_verdicts', { agent, surface, verdict, reason, at: now.toISOString() }, transaction);
  await appendLog(
    {
      restorationId,
      stage: 'wash',
      kind: 'verdict',
      words: `From now on ${verdict}: ${agentOf(agent).title} on ${inSentence(surfaceOf(surface).title)}.`,
    },
    transaction,
    now,
  );
}

/** A piece that came out of the wet dries by the clock; until then the case is not closed over it. */
async function startDrying({ agent, pieceId, restorationId }: SinkStep, now: Date, transaction: Transaction): Promise<void> {
  const piece = pieceId === null ? null : await findRow('pieces', pieceId, transaction);
  if (!piece) return;
  const hours = dryHours(agent, { surfaces: surfacesOfPiece(piece), hollow: piece.hollow, airing: false, temperatureC: 20, humidity: 0.5 });
  const dueAt = dryAt(now, hours).toISOString();
  if (hours < 0.25) return;
  const label = `${piece.tag} ${piece.name}${DRYING}`;
  const [drying] = await findRows('timers', { restorationId, pieceId: piece.id, label, endedAt: null }, undefined, transaction);
  if (drying && drying.dueAt >= dueAt) return;
  if (drying) await changeRow('timers', { id: drying.id }, { dueAt }, transaction);
  else
    await addRow(
      'timers',
      {
        restorationId,
        pieceId: piece.id,
        sessionId: null,
        label,
        atTheBell: 'Shake it, look into hollow parts, and feel it before metal or boards go back.',
        startedAt: now.toISOString(),
        dueAt,
        remindEveryMin: null,
        nextReminderAt: null,
        endedAt: null,
      },
      transaction,
    );
  await appendLog({ restorationId, stage: 'wash', kind: 'drying', words: `${label}, about ${Math.round(hours)} h.` }, transaction, now);
}

/** The room that something dries in. */
export interface Room {
  temperatureC: number;
  /** Relative humidity, 0 to 1. */
  humidity: number;
  airing: boolean;
}

/** Works the drying of a piece out again for the room that it really dries in, from when it came out of the wet. */
export async function dryIn(timerId: string, room: Room): Promise<void> {
  await inTransaction(async (transaction) => {
    const timer = await needRow('timers', timerId, transaction);
    const piece = timer.pieceId === null ? null : await findRow('pieces', timer.pieceId, transaction);
    if (!piece || timer.endedAt !== null || !timer.label.endsWith(DRYING)) throw new Refusal('timerId', 'This piece is not drying any more.');
    const steps = await findRows('sink_steps', { pieceId: piece.id, restorationId: timer.restorationId }, undefined, transaction);
    const surfaces = surfacesOfPiece(piece);
    const ends = steps.flatMap(({ agent, endedAt }) =>
      endedAt === null ? [] : [dryAt(new Date(endedAt), dryHours(agent, { surfaces, hollow: piece.hollow, ...room })).toISOString()],
    );
    const dueAt = ends.sort().at(-1) ?? timer.dueAt;
    await changeRow('timers', { id: timerId }, { dueAt }, transaction);
    const words = `${timer.label} at ${room.temperatureC} °C and ${Math.round(100 * room.humidity)} %${room.airing ? ', in moving air' : ''}.`;
    await appendLog(
      { restorationId: timer.restorationId, stage: 'wash', kind: 'drying', words, data: { timerId, room, before: timer.dueAt } },
      transaction,
    );
  });
}

/** Puts a photograph to a pass that did harm. */
export async function showHarm(stepId: string, photoId: string): Promise<void> {
  await inTransaction(async (transaction) => {
    const { restorationId, agent } = await needRow('sink_steps', stepId, transaction);
    const photo = await needRow('photos', photoId, transaction);
    if (photo.restorationId !== restorationId) throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this.');
    await changeRow('sink_steps', { id: stepId }, { photoId }, transaction);
    await appendLog(
      {
        restorationId,
        stage: 'wash',
        kind: 'sink',
        words: `Photograph of what ${inSentence(agentOf(agent).title)} did.`,
        data: { stepId, photoId },
      },
      transaction,
    );
  });
}

export const listTubs = (): Promise<TubRow[]> => findRows('tubs', {}, [['addedAt', 'ASC']]);
export const listOwnVerdicts = (): Promise<OwnVerdictRow[]> => findRows('own_verdicts', {}, [['at', 'DESC']]);
export const listAgentsOff = (): Promise<AgentOff[]> => findRows('agents_off');

export async function addTub(tub: Pick<TubRow, 'name' | 'lengthMm' | 'widthMm' | 'depthMm'>, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const [taken] = await findRows('tubs', { name: tub.name }, undefined, transaction);
    if (taken) throw new Refusal('name', `There is a tub “${tub.name}” already. Give this one another name.`);
    await addRow('tubs', { ...tub, addedAt: now.toISOString() }, transaction);
    await appendLog(
      { restorationId: null, stage: null, kind: 'tub', words: `Tub ${tub.name}: ${tub.lengthMm} × ${tub.widthMm} × ${tub.depthMm} mm.` },
      transaction,
      now,
    );
  });
}

/** A verdict of the workshop's own. It can only make things stricter. */
export async function addOwnVerdict(given: Pick<OwnVerdictRow, 'agent' | 'surface' | 'verdict' | 'reason'>, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    await addRow('own_verdicts', { ...given, at: now.toISOString() }, transaction);
    await appendLog(
      {
        restorationId: null,
        stage: null,
        kind: 'verdict',
        words: `${given.verdict}: ${agentOf(given.agent).title} on ${inSentence(surfaceOf(given.surface).title)}. ${given.reason}`,
      },
      transaction,
      now,
    );
  });
}

/** Switches an agent off that is not owned or not wanted, or on again. */
export async function switchAgent(agent: AgentId, owned: boolean, now = new Date()): Promise<void> {
  await inTransaction(async (transaction) => {
    const off = await findRow('agents_off', agent, transaction);
    if (owned === (off === null)) return;
    const { tables } = await database();
    if (owned) await tables.agents_off.destroy({ where: { id: agent }, transaction });
    else await addRow('agents_off', { id: agent, at: now.toISOString() }, transaction);
    await appendLog(
      { restorationId: null, stage: null, kind: 'agent', words: `${agentOf(agent).title} is ${owned ? 'here' : 'not in this workshop'}.` },
      transaction,
      now,
    );
  });
}

/** Holds a piece back from brightening while dirt on it would shadow the yellow. @throws Refusal that names it */
export async function needsWashed(piece: Piece, transaction: Transaction): Promise<void> {
  const open = (await washSpots(piece.restorationId, transaction)).filter(
    ({ finding }) => finding.pieceId === piece.id && finding.settledAs === null,
  );
  if (open.length > 0)
    throw new Refusal(
      'pieceId',
      `${piece.tag} ${piece.name} is not washed yet: ${open.map(({ finding }) => finding.words || finding.kind).join('; ')}. Dirt that is left hides yellow from the peroxide. Wash it, or settle what is left on purpose.`,
    );
}
