'use client';

import { FINDING_KINDS, SEVERITIES } from '@/core/intake/findings';
import type { Share } from '@/core/photo/picture';
import type { Stage } from '@/core/runsheet/stages';
import type { Piece } from '@/data/rows';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { find } from './actions';

interface Props {
  restorationId: string;
  stage: Stage;
  pieces: readonly Piece[];
  /** Where it was tapped on a photograph. */
  pinned?: { photoId: string; pin: Share };
  onDone?: () => void;
}

/** Writes a finding down, with or without a pin. */
export function FindingForm({ restorationId, stage, pieces, pinned, onDone }: Props) {
  const pieceChoices = [{ value: '', label: 'the whole machine' }, ...pieces.map(({ id, tag, name }) => ({ value: id, label: `${tag} ${name}` }))];
  return (
    <AnswerForm
      fields={[
        { name: 'kind', label: 'What', kind: 'choice', half: true, options: options(FINDING_KINDS) },
        { name: 'severity', label: 'How bad', kind: 'choice', half: true, options: options(SEVERITIES) },
        { name: 'pieceId', label: 'On', kind: 'choice', half: true, options: pieceChoices },
        { name: 'words', label: 'Where and how', half: true, optional: true },
      ]}
      initial={{ kind: FINDING_KINDS[0], severity: 'plain', pieceId: '', words: '' }}
      submit={pinned ? 'Pin it' : 'Add finding'}
      send={(values) => find({ restorationId, stage, ...values, ...pinned })}
      done={pinned ? 'Pinned.' : 'Finding added.'}
      draftKey={`finding-${restorationId}-${stage}`}
      onDone={() => onDone?.()}
    />
  );
}
