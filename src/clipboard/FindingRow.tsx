'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import type { Aim } from '@/core/intake/aim';
import { SETTLEMENTS, SEVERITY_WORDS } from '@/core/intake/findings';
import { proposalFor } from '@/core/intake/proposals';
import { STAGE_WORDS } from '@/core/runsheet/stages';
import type { Finding, Piece } from '@/data/rows';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { Fold } from '@/ui/Fold';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { photoUrl } from '@/ui/photoUrl';
import { Tag } from '@/ui/Tag';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { addCloseUp, closeFinding, reopenFinding } from './actions';
import { FindingForm } from './FindingForm';

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

/** A finding in one line, with what it asks for under the aim; opened, it is closed, corrected or photographed close up. */
export function FindingRow({ finding, aim, pieces, mark, chosen = false, onMove }: Props) {
  const tag = pieces.find((piece) => piece.id === finding.pieceId)?.tag;
  const { id, kind, severity, words, settledAs, settledWords, closeUpId } = finding;
  const proposal = proposalFor(finding, aim);
  return (
    <Box
      id={`finding-${id}`}
      borderTopWidth="1px"
      borderColor="line"
      {...(chosen && { borderLeftWidth: '8px', borderLeftColor: 'work', pl: '3', bg: 'sheet' })}
    >
      <Fold
        key={`${chosen}:${settledAs}`}
        openAtFirst={chosen}
        quiet
        summary={
          <Flex
            as="span"
            display="inline-flex"
            gap="2"
            align="start"
            width="calc(100% - 24px)"
            color="ink"
            verticalAlign="top"
          >
            {mark && (
              <Text as="span" fontFamily="mono" fontWeight="700" minWidth="2ch">
                {mark}
              </Text>
            )}
            {tag && <Tag>{tag}</Tag>}
            <Box as="span" flex="1" minWidth="0">
              <b>{kind}</b>, {SEVERITY_WORDS[severity]}
              {words && `: ${words}`}
              <Text as="span" display="block" color="soft" fontSize="15px" lineHeight="1.3">
                {settledAs
                  ? `${settledAs}${settledWords ? `: ${settledWords}` : ''}`
                  : proposal.stage
                    ? `${STAGE_WORDS[proposal.stage].title}: ${proposal.words}`
                    : proposal.words}
              </Text>
            </Box>
            {closeUpId && (
              // eslint-disable-next-line @next/next/no-img-element
              <img
                src={photoUrl(closeUpId, 'small')}
                alt={`Close-up: ${kind}`}
                width={56}
                height={42}
                style={{ objectFit: 'cover' }}
              />
            )}
          </Flex>
        }
      >
        <Box pb="3" pl="4">
          <FindingWork
            finding={finding}
            aim={aim}
            pieces={pieces}
            {...(mark && { mark })}
            {...(onMove && { onMove })}
          />
        </Box>
      </Fold>
    </Box>
  );
}

/** What can be done with a finding. */
function FindingWork({ finding, aim, pieces, mark, onMove }: Omit<Props, 'chosen'>) {
  const { wrong, busy, send } = useSend();
  const { id, kind, words, settledAs, closeUpId, restorationId, stage, pieceId } = finding;
  const proposal = proposalFor(finding, aim);
  const large = closeUpId && <a href={photoUrl(closeUpId)}>Its close-up, large</a>;
  if (settledAs)
    return (
      <>
        <Wrong words={wrong} />
        {large}
        <Button look="bare" disabled={busy} onClick={() => send(() => reopenFinding(id))}>
          Open it again
        </Button>
      </>
    );
  return (
    <>
      <Wrong words={wrong} />
      {large}
      <AnswerForm
        fields={[
          {
            name: 'settledAs',
            label: proposal.stage ? 'Close it' : 'Leave it, or close it otherwise',
            kind: 'chips',
            options: options(SETTLEMENTS),
          },
          { name: 'settledWords', label: 'How it was done, or why not' },
        ]}
        initial={
          proposal.stage
            ? { settledAs: 'done', settledWords: '' }
            : { settledAs: 'left on purpose', settledWords: proposal.words }
        }
        submit="Close this finding"
        send={(values) => closeFinding({ findingId: id, ...values })}
        done="Closed."
        draftKey={`settle-${id}`}
      />
      <Fold summary="Correct it" quiet>
        <FindingForm restorationId={restorationId} stage={stage} pieces={pieces} finding={finding} />
      </Fold>
      {!closeUpId && (
        <Fold summary="Take a close-up" quiet>
          <PhotoUpload
            restorationId={restorationId}
            stage={stage}
            pieceId={pieceId}
            onAdded={([photoId]) => photoId && send(() => addCloseUp({ findingId: id, photoId }))}
          />
        </Fold>
      )}
      <Flex gap="4" wrap="wrap">
        {onMove && (
          <Button look="bare" onClick={onMove}>
            {mark ? 'Move its pin' : 'Pin it on this photograph'}
          </Button>
        )}
        <TakeThingBack what="finding" id={id} name={[kind, words].filter(Boolean).join(', ')} />
      </Flex>
    </>
  );
}
