'use client';

import type { LogPage } from '@/data/log';
import type { Aim } from '@/core/intake/aim';
import { Box, Button, Flex, Input, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { STAGES, STAGE_WORDS, type Stage, type StageState } from '@/core/runsheet/stages';
import type { Finding, LedgerEntry, Photo, Piece } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Check } from '@/ui/Check';
import { EmptyPlace, Part } from '@/ui/layout';
import { PhotoStrip } from '@/ui/PhotoStrip';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { markStage, noteDown, rightMinutes, spendMinutes, useMaterial as takeMaterial } from './actions';
import { FindingForm } from './FindingForm';
import { FindingRow } from './FindingRow';
import { LogList } from './LogList';
import { Fold } from '@/ui/Fold';

interface Props {
  restorationId: string;
  stage: Stage;
  state: StageState;
  reason: string | null;
  pieces: readonly Piece[];
  photos: readonly Photo[];
  /** Found on this stage, or asking for it. */
  findings: readonly Finding[];
  aim: Aim;
  /** What is to be kept as it is on this machine, in words. */
  marks: readonly string[];
  ledger: readonly LedgerEntry[];
  log: LogPage;
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
      {/* Intake shows both in its survey. */}
      {stage !== 'intake' && (
        <>
          <Part title="Photographs">
            <PhotoUpload restorationId={restorationId} stage={stage} pieceId={null} onAdded={() => router.refresh()} />
            {photos.length > 0 && (
              <PhotoStrip
                below={({ id, under }) => <TakeThingBack what="photograph" id={id} name={under} />}
                photos={photos.map((photo) => ({
                  id: photo.id,
                  alt: `${photo.originalName}, ${stage}`,
                  under: [tagOf(photo.pieceId), photo.originalName].filter(Boolean).join(' · '),
                }))}
              />
            )}
          </Part>
          <Findings {...props} />
        </>
      )}
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
              <Box as="li" key={entry.id} borderTopWidth="1px" borderColor="line" py="2">
                <Flex justify="space-between" gap="3">
                  <Text>{entry.words}</Text>
                  <Text fontFamily="mono">{entry.kind === 'minutes' ? `${entry.minutes} min` : props.money[entry.id]}</Text>
                </Flex>
                {entry.kind !== 'price' && <EntryRight entry={entry} />}
              </Box>
            ))}
          </Box>
        )}
      </Part>
      <StageEnd {...props} />
      <Part title="Log of this stage">
        {props.log.entries.length === 0 ? (
          <EmptyPlace>Nothing yet. What you do here writes itself down.</EmptyPlace>
        ) : (
          <LogList page={props.log} timeZone={props.timeZone} olderHref={() => `/restorations/${restorationId}/log`} />
        )}
      </Part>
    </>
  );
}

/** Puts an entry right: minutes that booked themselves are a guess. */
function EntryRight({ entry: { id, kind, minutes, words } }: { entry: LedgerEntry }) {
  return (
    <Fold summary="Put it right" quiet>
      {kind === 'minutes' && (
        <AnswerForm
          fields={[
            { name: 'minutes', label: 'Minutes spent', kind: 'number', unit: 'min', half: true },
            { name: 'words', label: 'On what', half: true },
          ]}
          initial={{ minutes: String(minutes), words }}
          submit="Put minutes right"
          send={(values) => rightMinutes({ entryId: id, ...values })}
          done="Put right. The log keeps what it was."
          keeps
          draftKey={`entry-${id}`}
        />
      )}
      <TakeThingBack what="entry" id={id} name={words} />
    </Fold>
  );
}

/** What was found on this stage, and what other stages found that asks for it. */
function Findings({ restorationId, stage, findings, pieces, aim }: Props) {
  return (
    <Part title="Findings">
      {findings.map((finding) => {
        const piece = pieces.find(({ id }) => id === finding.pieceId);
        return <FindingRow key={finding.id} finding={finding} aim={piece?.aim ?? aim} pieces={pieces} />;
      })}
      <Fold summary="Add a finding">
        <FindingForm restorationId={restorationId} stage={stage} pieces={pieces} />
      </Fold>
    </Part>
  );
}

function StageEnd({ restorationId, stage, state, reason, marks }: Props) {
  const router = useRouter();
  const [why, setWhy] = useState('');
  const [kept, setKept] = useState(false);
  const toKeep = stage === 'finish' ? marks : [];
  const { wrong, busy, send } = useSend();
  const after = STAGES[STAGES.indexOf(stage) + 1];
  const mark = (to: StageState) =>
    send(
      () =>
        markStage({ restorationId, stage, state: to, reason: to === 'not needed' ? why : to === 'done' && kept ? `kept: ${toKeep.join('; ')}` : '' }),
      () => {
        say(to === 'open' ? 'Stage is open again.' : `Stage ${to}.`);
        if (to === 'done' && after) router.push(`/restorations/${restorationId}/${after}`);
        else router.refresh();
      },
    );
  if (state !== 'open')
    return (
      <Part title="This stage is settled">
        <Flex align="center" gap="4" wrap="wrap">
          <Text>
            {state}
            {reason && `: ${reason}`}
          </Text>
          <Button disabled={busy} onClick={() => mark('open')}>
            Open it again
          </Button>
        </Flex>
        <Wrong words={wrong} />
      </Part>
    );
  return (
    <Part title="Settle this stage">
      {toKeep.length > 0 && (
        <Check checked={kept} onChange={setKept}>
          Covered before any coat, and still there: {toKeep.join('; ')}
        </Check>
      )}
      <Flex gap="4" wrap="wrap" align="end">
        <Button variant={'go' as never} size={'bench' as never} disabled={busy} onClick={() => mark('done')} width={{ base: '100%', md: 'auto' }}>
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
        <Button disabled={busy} onClick={() => mark('not needed')}>
          Not needed
        </Button>
      </Flex>
      <Wrong words={wrong} />
    </Part>
  );
}
