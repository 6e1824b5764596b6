'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { CAME } from '@/core/runsheet/lessons';
import { showTime } from '@/core/runsheet/time';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { EmptyPlace } from '@/ui/layout';
import { TextLink } from '@/ui/links';
import { PhotoStrip } from '@/ui/PhotoStrip';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { addMaterial, addMinutes, keepRule, rightMinutes, writeDown } from './actions';
import { standing, type Clip, type Leaf } from './clip';
import { FindingForm } from './FindingForm';
import { FindingRow } from './FindingRow';
import { LogList } from './LogList';

const OF: Record<Leaf, (props: { clip: Clip }) => React.ReactNode> = {
  photographs: Photographs,
  findings: Findings,
  notes: Notes,
  minutes: Minutes,
  materials: Materials,
  log: Log,
};

/** One leaf of the clipboard. */
export function ClipLeaf({ clip, leaf }: { clip: Clip; leaf: Leaf }) {
  const Of = OF[leaf];
  return <Of clip={clip} />;
}

function Photographs({ clip: { restorationId, stage, photos, pieces } }: { clip: Clip }) {
  const router = useRouter();
  const tagOf = (id: string | null) => pieces.find((piece) => piece.id === id)?.tag;
  return (
    <>
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
    </>
  );
}

function Findings({ clip: { restorationId, stage, findings, pieces, aim } }: { clip: Clip }) {
  return (
    <>
      {findings.map((finding) => (
        <FindingRow
          key={finding.id}
          finding={finding}
          aim={pieces.find(({ id }) => id === finding.pieceId)?.aim ?? aim}
          pieces={pieces}
        />
      ))}
      <Fold summary="Add a finding" openAtFirst={findings.length === 0}>
        <FindingForm restorationId={restorationId} stage={stage} pieces={pieces} />
      </Fold>
    </>
  );
}

function Notes({ clip: { restorationId, stage, notes, timeZone } }: { clip: Clip }) {
  return (
    <>
      <AnswerForm
        fields={[{ name: 'words', label: 'Note', kind: 'long', hint: 'What you saw, did, or want to remember' }]}
        initial={{ words: '' }}
        submit="Write into log"
        send={(values) => writeDown({ restorationId, stage, ...values })}
        done="In the log."
        draftKey={`note-${restorationId}-${stage}`}
      />
      <Fold summary="Make it a rule for the next machine">
        <AnswerForm
          fields={[
            { name: 'words', label: 'Rule', hint: 'What to do or not to do, as you would tell it a friend' },
            {
              name: 'about',
              label: 'About',
              optional: true,
              hint: 'A joint, kind of part, agent or plastic: then it comes up where there is one. Empty: at this stage of every machine',
            },
            { name: 'came', label: 'What came of it', kind: 'choice', options: options(CAME) },
          ]}
          initial={{ words: '', about: '', came: 'helped' }}
          submit="Keep the rule"
          send={(values) => keepRule({ restorationId, stage, ...values })}
          done="Kept. It comes up at this stage of the next machine."
          draftKey={`rule-${restorationId}-${stage}`}
        />
      </Fold>
      {standing(notes).map(({ id, at, words }) => (
        <Text key={id} borderTopWidth="1px" borderColor="line" py="2" mt="2" whiteSpace="pre-wrap">
          <Text as="span" color="soft" display="block" fontSize="15px">
            {showTime(at, timeZone)}
          </Text>
          {words}
        </Text>
      ))}
    </>
  );
}

function Minutes({ clip: { restorationId, stage, ledger } }: { clip: Clip }) {
  return (
    <>
      <AnswerForm
        fields={[
          { name: 'minutes', label: 'Minutes spent', kind: 'number', unit: 'min' },
          { name: 'words', label: 'On what' },
        ]}
        initial={{ minutes: '', words: '' }}
        submit="Add minutes"
        send={(values) => addMinutes({ restorationId, stage, ...values })}
        done="Minutes added."
        draftKey={`minutes-${restorationId}-${stage}`}
      />
      {ledger
        .filter(({ kind }) => kind === 'minutes')
        .map(({ id, minutes, words }) => (
          <Box key={id} borderTopWidth="1px" borderColor="line" pt="2" mt="2">
            <Flex justify="space-between" gap="3">
              <Text>{words}</Text>
              <Text fontFamily="mono" whiteSpace="nowrap">
                {minutes} min
              </Text>
            </Flex>
            {/* Minutes that booked themselves are a guess. */}
            <Fold summary="Correct it" quiet>
              <AnswerForm
                fields={[
                  { name: 'minutes', label: 'Minutes spent', kind: 'number', unit: 'min' },
                  { name: 'words', label: 'On what' },
                ]}
                initial={{ minutes: String(minutes), words }}
                submit="Correct the minutes"
                send={(values) => rightMinutes({ entryId: id, ...values })}
                done="Corrected. The log keeps what it was."
                keeps
                draftKey={`entry-${id}`}
              />
              <TakeThingBack what="entry" id={id} name={words} />
            </Fold>
          </Box>
        ))}
    </>
  );
}

function Materials({ clip: { restorationId, stage, ledger, currency, money } }: { clip: Clip }) {
  return (
    <>
      <AnswerForm
        fields={[
          { name: 'words', label: 'Material used' },
          { name: 'cost', label: 'What it cost', kind: 'number', unit: currency, optional: true },
        ]}
        initial={{ words: '', cost: '' }}
        submit="Add material"
        send={(values) => addMaterial({ restorationId, stage, ...values })}
        done="Material added."
        draftKey={`material-${restorationId}-${stage}`}
      />
      {ledger
        .filter(({ kind }) => kind !== 'minutes')
        .map(({ id, kind, words }) => (
          <Box key={id} borderTopWidth="1px" borderColor="line" py="2" mt="2">
            <Flex justify="space-between" gap="3">
              <Text>{words}</Text>
              <Text fontFamily="mono">{money[id]}</Text>
            </Flex>
            {kind !== 'price' && <TakeThingBack what="entry" id={id} name={words} />}
          </Box>
        ))}
    </>
  );
}

function Log({ clip: { restorationId, log, timeZone } }: { clip: Clip }) {
  const all = `/restorations/${restorationId}/log`;
  if (log.entries.length === 0) return <EmptyPlace>Nothing yet. What you do here writes itself down.</EmptyPlace>;
  return (
    <>
      <LogList page={log} timeZone={timeZone} olderHref={() => all} narrow />
      <TextLink href={all}>The whole log of this restoration</TextLink>
    </>
  );
}
