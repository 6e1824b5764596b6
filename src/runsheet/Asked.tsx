import { LaterFindingRow } from '@/clipboard/LaterFindingRow';
import type { Aim } from '@/core/intake/aim';
import { STAGE_WORDS, type Stage } from '@/core/runsheet/stages';
import type { Finding, Piece } from '@/data/rows';
import { EmptyPlace, Part } from '@/ui/layout';

interface Props {
  stage: Stage;
  findings: readonly Finding[];
  pieces: readonly Piece[];
  aim: Aim;
}

/** What was found that asks for a stage: its work list, as long as it has no tool of its own. */
export function Asked({ stage, findings, pieces, aim }: Props) {
  const open = findings.filter(({ settledAs }) => settledAs === null);
  const closed = findings.filter(({ settledAs }) => settledAs !== null);
  return (
    <Part title={open.length === 0 ? 'Nothing asks for this stage' : `Asks for this stage: ${open.length}`}>
      {open.length === 0 && <EmptyPlace>{STAGE_WORDS[stage].first}</EmptyPlace>}
      {[...open, ...closed].map((finding) => (
        <LaterFindingRow
          key={finding.id}
          finding={finding}
          aim={pieces.find(({ id }) => id === finding.pieceId)?.aim ?? aim}
          pieces={pieces}
        />
      ))}
    </Part>
  );
}
