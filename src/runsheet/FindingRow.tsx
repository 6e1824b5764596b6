'use client';

import { Box, Button, Flex, Text } from '@chakra-ui/react';
import type { Aim } from '@/core/intake/aim';
import { SETTLEMENTS } from '@/core/intake/findings';
import { proposalFor } from '@/core/intake/proposals';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import type { Finding, Piece } from '@/data/rows';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { FindingForm } from './FindingForm';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { photoUrl } from '@/ui/photoUrl';
import { Tag } from '@/ui/Tag';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { settle, takeCloseUp, unsettle } from './actions';

interface Props {
  finding: Finding;
  aim: Aim;
  pieces: readonly Piece[];
  /** Its number on the photograph, where it has a pin there. */
  mark?: string;
  chosen?: boolean;
  /** Its pin is to be set elsewhere. */
  onMove?: () => void;
}

/** A finding with what it asks for under the aim, its close-up, and how it was settled. */
export function FindingRow({ finding, aim, pieces, mark, chosen = false, onMove }: Props) {
  const { wrong, busy, send } = useSend();
  const tag = pieces.find((piece) => piece.id === finding.pieceId)?.tag;
  const { id, kind, severity, words, settledAs, settledWords, closeUpId, restorationId } = finding;
  const proposal = proposalFor(finding, aim);
  return (
    <Box
      id={`finding-${id}`}
      borderTopWidth="1px"
      borderColor="line"
      py="2"
      {...(chosen && { borderLeftWidth: '8px', borderLeftColor: 'work', pl: '3', bg: 'sheet' })}
    >
      <Flex gap="3" align="start">
        {mark && (
          <Text fontFamily="mono" fontWeight="700" minWidth="2ch">
            {mark}
          </Text>
        )}
        <Box flex="1" minWidth="0">
          <Flex gap="2" wrap="wrap" align="center">
            {tag && <Tag>{tag}</Tag>}
            <Text>
              <b>{kind}</b>, {severity}
              {words && `: ${words}`}
            </Text>
          </Flex>
          <Text color="soft" fontSize="16px">
            {settledAs
              ? `${settledAs}${settledWords ? `: ${settledWords}` : ''}`
              : proposal.stage
                ? `${STAGE_WORDS[proposal.stage].title}: ${proposal.words}`
                : proposal.words}
          </Text>
        </Box>
        {closeUpId && (
          <a href={photoUrl(closeUpId)}>
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img src={photoUrl(closeUpId, 'small')} alt={`Close-up: ${kind}`} width={88} height={66} style={{ objectFit: 'cover' }} />
          </a>
        )}
      </Flex>
      <Wrong words={wrong} />
      {settledAs ? (
        <Button variant={'bare' as never} disabled={busy} onClick={() => send(() => unsettle(id))}>
          Open it again
        </Button>
      ) : (
        <>
          <Fold summary={proposal.stage ? 'Settle it' : 'Leave it, or settle it otherwise'}>
            <AnswerForm
              fields={[
                { name: 'settledAs', label: 'How', kind: 'choice', half: true, options: options(SETTLEMENTS) },
                { name: 'settledWords', label: 'How it was done, or why not', half: true },
              ]}
              initial={proposal.stage ? { settledAs: 'done', settledWords: '' } : { settledAs: 'left on purpose', settledWords: proposal.words }}
              submit="Settle finding"
              send={(values) => settle({ findingId: id, ...values })}
              done="Settled."
              draftKey={`settle-${id}`}
            />
          </Fold>
          <Fold summary="Put it right" quiet>
            <FindingForm restorationId={restorationId} stage={finding.stage} pieces={pieces} finding={finding} />
            <Flex gap="4" wrap="wrap" mt="2">
              {onMove && (
                <Button variant={'bare' as never} onClick={onMove}>
                  {mark ? 'Move its pin' : 'Pin it on this photograph'}
                </Button>
              )}
              <TakeThingBack what="finding" id={id} name={[kind, words].filter(Boolean).join(', ')} />
            </Flex>
          </Fold>
          {!closeUpId && (
            <Fold summary="Take a close-up" quiet>
              <PhotoUpload
                restorationId={restorationId}
                stage={finding.stage}
                pieceId={finding.pieceId}
                onAdded={([photoId]) => photoId && send(() => takeCloseUp({ findingId: id, photoId }))}
              />
            </Fold>
          )}
        </>
      )}
    </Box>
  );
}
