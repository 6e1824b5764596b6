import { agentOf, type AgentId } from '@/core/materials/agents';
import { scrubMinutes } from '@/core/cleaning/bath';
import { cautionsFor } from '@/core/materials/cautions';
import { marksToKeep } from '@/core/intake/marks';
import { inSentence } from '@/core/materials/inSentence';
import type { OwnKnowledge } from '@/core/cleaning/ladder';
import { bathWords } from '@/core/cleaning/loads';
import { surfacesOfPiece } from '@/core/materials/pieceSurfaces';
import { surfaceOf } from '@/core/materials/surfaces';
import { verdictOnAll } from '@/core/materials/verdicts';
import type { Caution } from '@/core/peroxide/cautions';
import type { UnitSystem } from '@/core/units';
import { sizeOf } from '@/data/pieces';
import type { Finding, Piece, SinkStep, Timer } from '@/data/rows';

/** A piece as the bath sees it. */
export interface Bathing {
  id: string;
  tag: string;
  name: string;
  parts: number;
  minutes: number;
  /** Why it does not go in; `null` where it may. */
  out: string | null;
  /** What is covered or lifted first. */
  label: string;
  /** It was in a bath before. */
  bathed: boolean;
}

export interface BathView {
  ways: { agent: AgentId; title: string; does: string; mix: string | null; dwellMin: number; cautions: Caution[] }[];
  pieces: Bathing[];
  /** Pieces that lie in it now, and when its time is up. */
  running: {
    pieces: { id: string; tag: string; name: string }[];
    title: string;
    rinse: string;
    dueAt: string | null;
  } | null;
}

const WAYS = ['soap-soak', 'hose-rinse'] as const;

function outOf(piece: Piece, own: OwnKnowledge): string | null {
  if (piece.metalInside) return `metal still inside: ${piece.metalInside}`;
  const { verdict, reason, surface } = verdictOnAll('soap-soak', surfacesOfPiece(piece), own);
  return verdict === 'never' ? `${inSentence(surfaceOf(surface, own.surfaces).title)}: ${reason} Take a cloth` : null;
}

/** The bath that comes first: what goes in, how long the hands take, and what lies in it now. */
export function bathView(
  pieces: readonly Piece[],
  findings: readonly Finding[],
  steps: readonly SinkStep[],
  timers: readonly Timer[],
  own: OwnKnowledge,
  units: UnitSystem,
): BathView {
  const inBath = steps.filter(({ agent }) => agentOf(agent, own.agents).wet === 'bath');
  const open = inBath.filter(({ endedAt, pieceId }) => endedAt === null && pieceId !== null);
  const lying = pieces.filter(({ id }) => open.some(({ pieceId }) => pieceId === id));
  const agent = open[0] && agentOf(open[0].agent, own.agents);
  return {
    ways: WAYS.map((id) => {
      const way = agentOf(id);
      return {
        agent: id,
        title: way.title,
        does: way.does,
        mix: bathWords(way, units),
        dwellMin: way.dwellMin,
        cautions: cautionsFor(way, ['general-grime'], pieces.flatMap(surfacesOfPiece), marksToKeep(findings, null)),
      };
    }),
    pieces: pieces
      .filter((piece) => !lying.includes(piece))
      .map((piece) => ({
        id: piece.id,
        tag: piece.tag,
        name: piece.name,
        parts: piece.parts,
        minutes: Math.max(1, Math.round(scrubMinutes({ parts: piece.parts, size: sizeOf(piece) }))),
        out: outOf(piece, own),
        label: piece.labels,
        bathed: inBath.some(({ pieceId, endedAt }) => pieceId === piece.id && endedAt !== null),
      })),
    running:
      lying.length < 2 || !agent
        ? null
        : {
            pieces: lying.map(({ id, tag, name }) => ({ id, tag, name })),
            title: agent.title,
            rinse: agent.rinse,
            dueAt: timers.find(({ id }) => open.some(({ timerId }) => timerId === id))?.dueAt ?? null,
          },
  };
}
