'use client';

import {
  FINDING_KINDS,
  FINDING_PARTS,
  SEVERITIES,
  SEVERITY_WORDS,
  usualPart,
  type FindingKind,
} from '@/core/intake/findings';
import type { Share } from '@/core/picture/picture';
import type { Stage } from '@/core/runsheet/stages';
import type { Finding, Piece } from '@/data/rows';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { FieldWatch } from '@/ui/FieldWatch';
import { addFinding, rewordFinding } from './actions';
import { findingDrawn } from './drawn';

interface Props {
  restorationId: string;
  stage: Stage;
  pieces: readonly Piece[];
  /** Where it was tapped on a photograph. */
  pinned?: { photoId: string; pin: Share };
  /** One that is put right. */
  finding?: Finding;
  onDone?: () => void;
}

const GRADES = SEVERITIES.map((value) => ({ value, label: SEVERITY_WORDS[value] }));

/** Writes a finding down, with or without a pin, or puts one right. */
export function FindingForm({ restorationId, stage, pieces, pinned, finding, onDone }: Props) {
  const pieceChoices = [
    { value: '', label: 'the whole machine' },
    ...pieces.map(({ id, tag, name }) => ({ value: id, label: `${tag} ${name}` })),
  ];
  return (
    <AnswerForm<string | void>
      fields={[
        { name: 'kind', label: 'What', kind: 'chips', options: options(FINDING_KINDS) },
        { name: 'severity', label: 'How bad', kind: 'chips', options: GRADES },
        { name: 'part', label: 'What of it', kind: 'choice', half: true, options: options(FINDING_PARTS) },
        { name: 'pieceId', label: 'On', kind: 'choice', half: true, options: pieceChoices },
        { name: 'words', label: 'Where and how', optional: true },
      ]}
      initial={
        finding
          ? findingDrawn(finding)
          : { kind: FINDING_KINDS[0], severity: 'plain', part: usualPart(FINDING_KINDS[0]), pieceId: '', words: '' }
      }
      submit={finding ? 'Correct it' : pinned ? 'Pin it' : 'Add finding'}
      send={(values) =>
        finding
          ? rewordFinding({ findingId: finding.id, ...values })
          : addFinding({ restorationId, stage, ...values, ...pinned })
      }
      done={finding ? 'Corrected. The log keeps what it said.' : pinned ? 'Pinned.' : 'Finding added.'}
      keeps={finding !== undefined}
      {...(finding && { drawnWith: {} })}
      draftKey={finding ? `finding-right-${finding.id}` : `finding-${restorationId}-${stage}`}
      onDone={() => onDone?.()}
    >
      {(form) => (
        <FieldWatch
          form={form}
          name="kind"
          typed
          onChange={(kind) => form.setValue('part', usualPart(kind as FindingKind))}
        />
      )}
    </AnswerForm>
  );
}
