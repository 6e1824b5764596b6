'use client';

import { FINDING_KINDS, SETTLEMENTS, SEVERITIES } from '@/core/intake/findings';
import { Box, Button, Flex, Input, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { STAGES, STAGE_WORDS, type Stage, type StageState } from '@/core/runsheet/stages';
import type { Finding, LedgerEntry, LogEntry, Photo, Piece } from '@/data/rows';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { EmptyPlace, Part } from '@/ui/layout';
import { PhotoStrip } from '@/ui/PhotoStrip';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { say, warn } from '@/ui/toast';
import { find, markStage, noteDown, settle, spendMinutes, useMaterial as takeMaterial } from './actions';
import { LogList } from './LogList';
import { Fold } from '@/ui/Fold';

interface Props {
  restorationId: string;
  stage: Stage;
  state: StageState;
  reason: string | null;
  pieces: readonly Piece[];
  photos: readonly Photo[];
  findings: readonly Finding[];
  ledger: readonly LedgerEntry[];
  log: readonly LogEntry[];
  currency: string;
  timeZone: string;
  money: Record<string, string>;
}

/** What every stage documents: photographs, findings, notes, minutes, materials, and done or not needed. */
export function StageSheet(props: Props) {
  const { restorationId, stage, photos, pieces } = props;
  const router = useRouter();
  const place = { restorationId, stage };
  const tagOf = (id: string | null) => pieces.find((piece) => piece.id === id)?.tag;
  return (
    <>
      <Part title="Photographs">
        <PhotoUpload restorationId={restorationId} stage={stage} pieceId={null} onAdded={() => router.refresh()} />
        {photos.length > 0 && (
          <PhotoStrip
            photos={photos.map((photo) => ({
              id: photo.id,
              alt: `${photo.originalName}, ${stage}`,
              under: [tagOf(photo.pieceId), photo.originalName].filter(Boolean).join(' · '),
            }))}
          />
        )}
      </Part>
      <Findings {...props} />
      <Part title="Written down">
        <Fold summary="Write a note">
          <AnswerForm
            fields={[{ name: 'words', label: 'Note', kind: 'long', hint: 'What you saw, did, or want to remember' }]}
            initial={{ words: '' }}
            submit="Write into log"
            send={(values) => noteDown({ ...place, ...values })}
            done="In the log."
            draftKey={`note-${restorationId}-${stage}`}
            onDone={() => router.refresh()}
          />
        </Fold>
        <Fold summary="Minutes of own work">
          <AnswerForm
            fields={[
              { name: 'minutes', label: 'Minutes spent', kind: 'number', unit: 'min', half: true },
              { name: 'words', label: 'On what', half: true },
            ]}
            initial={{ minutes: '', words: '' }}
            submit="Add minutes"
            send={(values) => spendMinutes({ ...place, ...values })}
            done="Minutes added."
            draftKey={`minutes-${restorationId}-${stage}`}
            onDone={() => router.refresh()}
          />
        </Fold>
        <Fold summary="Material">
          <AnswerForm
            fields={[
              { name: 'words', label: 'Material used', half: true },
              { name: 'cost', label: 'What it cost', kind: 'number', unit: props.currency, half: true, optional: true },
            ]}
            initial={{ words: '', cost: '' }}
            submit="Add material"
            send={(values) => takeMaterial({ ...place, ...values })}
            done="Material added."
            draftKey={`material-${restorationId}-${stage}`}
            onDone={() => router.refresh()}
          />
        </Fold>
        {props.ledger.length > 0 && (
          <Box as="ul" mt="4" listStyleType="none">
            {props.ledger.map((entry) => (
              <Flex as="li" key={entry.id} justify="space-between" borderTopWidth="1px" borderColor="line" py="2" gap="3">
                <Text>{entry.words}</Text>
                <Text fontFamily="mono">{entry.kind === 'minutes' ? `${entry.minutes} min` : props.money[entry.id]}</Text>
              </Flex>
            ))}
          </Box>
        )}
      </Part>
      <StageEnd {...props} />
      <Part title="Log of this stage">
        {props.log.length === 0 ? (
          <EmptyPlace>Nothing yet. What you do here writes itself down.</EmptyPlace>
        ) : (
          <LogList entries={props.log} timeZone={props.timeZone} />
        )}
      </Part>
    </>
  );
}

function Findings({ restorationId, stage, findings, pieces }: Props) {
  const router = useRouter();
  const pieceChoices = [{ value: '', label: 'the whole machine' }, ...pieces.map(({ id, tag, name }) => ({ value: id, label: `${tag} ${name}` }))];
  return (
    <Part title="Findings">
      {findings.map((finding) => (
        <FindingRow key={finding.id} finding={finding} tag={pieces.find(({ id }) => id === finding.pieceId)?.tag} />
      ))}
      <Fold summary="Add a finding" openAtFirst={findings.length === 0 && stage === 'intake'}>
        <AnswerForm
          fields={[
            { name: 'kind', label: 'What', kind: 'choice', half: true, options: options(FINDING_KINDS) },
            { name: 'severity', label: 'How bad', kind: 'choice', half: true, options: options(SEVERITIES) },
            { name: 'pieceId', label: 'On', kind: 'choice', half: true, options: pieceChoices },
            { name: 'words', label: 'Where and how', half: true, optional: true },
          ]}
          initial={{ kind: FINDING_KINDS[0], severity: 'plain', pieceId: '', words: '' }}
          submit="Add finding"
          send={(values) => find({ restorationId, stage, ...values })}
          done="Finding added."
          draftKey={`finding-${restorationId}-${stage}`}
          onDone={() => router.refresh()}
        />
      </Fold>
    </Part>
  );
}

function FindingRow({ finding, tag }: { finding: Finding; tag: string | undefined }) {
  const router = useRouter();
  return (
    <Box borderTopWidth="1px" borderColor="line" py="2">
      <Flex justify="space-between" gap="3" wrap="wrap">
        <Text>
          <b>
            {tag && `${tag}: `}
            {finding.kind}
          </b>
          , {finding.severity}. {finding.words}
        </Text>
        <Text color="soft">{finding.settledAs ? `${finding.settledAs}${finding.settledWords ? `: ${finding.settledWords}` : ''}` : 'open'}</Text>
      </Flex>
      {!finding.settledAs && (
        <Fold summary="Settle it">
          <AnswerForm
            fields={[
              { name: 'settledAs', label: 'How', kind: 'choice', half: true, options: options(SETTLEMENTS) },
              { name: 'settledWords', label: 'Words', half: true, hint: 'Needed where it is left or not possible' },
            ]}
            initial={{ settledAs: 'done', settledWords: '' }}
            submit="Settle finding"
            send={(values) => settle({ findingId: finding.id, ...values })}
            done="Settled."
            draftKey={`settle-${finding.id}`}
            onDone={() => router.refresh()}
          />
        </Fold>
      )}
    </Box>
  );
}

function StageEnd({ restorationId, stage, state, reason }: Props) {
  const router = useRouter();
  const [why, setWhy] = useState('');
  const after = STAGES[STAGES.indexOf(stage) + 1];
  async function mark(to: StageState) {
    const answered = await markStage({ restorationId, stage, state: to, reason: to === 'not needed' ? why : '' });
    if (!answered.ok) return warn(answered.errors.map(({ message }) => message).join(' '));
    say(to === 'open' ? 'Stage is open again.' : `Stage ${to}.`);
    if (to === 'done' && after) router.push(`/restorations/${restorationId}/${after}`);
    else router.refresh();
  }
  if (state !== 'open')
    return (
      <Part title="This stage is settled">
        <Flex align="center" gap="4" wrap="wrap">
          <Text>
            {state}
            {reason && `: ${reason}`}
          </Text>
          <Button onClick={() => void mark('open')}>Open it again</Button>
        </Flex>
      </Part>
    );
  return (
    <Part title="Settle this stage">
      <Flex gap="4" wrap="wrap" align="end">
        <Button variant={'go' as never} size={'bench' as never} onClick={() => void mark('done')} width={{ base: '100%', md: 'auto' }}>
          {STAGE_WORDS[stage].title} is done
        </Button>
        <Box flex="1" minWidth="220px">
          <label>
            <Text fontWeight="650" fontSize="16px">
              Or not needed, because
            </Text>
            <Input value={why} onChange={(event) => setWhy(event.target.value)} bg="sheet" borderColor="lineStrong" minHeight="46px" />
          </label>
        </Box>
        <Button onClick={() => void mark('not needed')}>Not needed</Button>
      </Flex>
    </Part>
  );
}
