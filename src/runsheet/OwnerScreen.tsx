'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';
import { ABOUTS, ANSWERS, CHANGING, type Allowed } from '@/core/intake/owner';
import { STAGE_WORDS, type Stage } from '@/core/runsheet/stages';
import { showTime } from '@/core/runsheet/time';
import type { OwnerRequest, Piece } from '@/data/rows';
import { AnswerForm, options } from '@/ui/AnswerForm';
import { Check } from '@/ui/Check';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { say, warn } from '@/ui/toast';
import { addRequest, setOwnerOf, addAnswer } from './actions';

interface Props {
  restorationId: string;
  owner: string;
  allowed: Allowed;
  /** The limit of a purchase without asking, as the form shows it. */
  spend: string;
  requests: readonly OwnerRequest[];
  /** Each request as a letter, by its id. */
  letters: Readonly<Record<string, string>>;
  costs: Readonly<Record<string, string>>;
  pieces: readonly Piece[];
  currency: string;
  timeZone: string;
}

/** Whose machine it is, what was allowed, and everything that was asked beyond that. */
export function OwnerScreen(props: Props) {
  const { restorationId, owner, allowed, spend, requests, pieces, currency } = props;
  // Chosen on this page, and what stood there then.
  const [chosen, choose] = useState<{ stages: readonly Stage[]; drawn: readonly Stage[] } | null>(null);
  const stages = chosen?.stages ?? allowed.stages;
  const waiting = requests.filter(({ answer }) => answer === null);
  const answered = requests.filter(({ answer }) => answer !== null).reverse();
  return (
    <>
      {owner !== '' && (
        <>
          <Part
            title={waiting.length === 0 ? 'Nothing waits for an answer' : `${waiting.length} waiting for an answer`}
            id="waiting"
          >
            {waiting.map((request) => (
              <RequestRow key={request.id} request={request} {...props} />
            ))}
            <Fold summary="Ask for something" openAtFirst={requests.length === 0}>
              <AnswerForm
                draftKey={`ask:${restorationId}`}
                fields={[
                  { name: 'about', label: 'About', kind: 'choice', options: options(ABOUTS), half: true },
                  {
                    name: 'stage',
                    label: 'Stage',
                    kind: 'choice',
                    options: CHANGING.map((value) => ({ value, label: STAGE_WORDS[value].title })),
                    half: true,
                  },
                  {
                    name: 'pieceId',
                    label: 'On',
                    kind: 'choice',
                    half: true,
                    options: [
                      { value: '', label: 'the whole machine' },
                      ...pieces.map(({ id, tag, name }) => ({ value: id, label: `${tag} ${name}` })),
                    ],
                  },
                  { name: 'cost', label: 'What it costs', kind: 'number', unit: currency, half: true, optional: true },
                  {
                    name: 'what',
                    label: 'What you would do',
                    kind: 'long',
                    hint: 'Brighten the shell with cream and sun, two sessions',
                  },
                  { name: 'why', label: 'Why', kind: 'long' },
                  {
                    name: 'alternatives',
                    label: 'What else could be done',
                    kind: 'long',
                    hint: 'Leave it; a part from a donor; a cheaper way',
                  },
                ]}
                initial={{
                  about: 'treatment',
                  stage: 'brighten',
                  pieceId: '',
                  cost: '',
                  what: '',
                  why: '',
                  alternatives: '',
                }}
                submit="Write the request"
                done="Written. Send it as text or as PDF."
                send={(values) => addRequest({ restorationId, ...values })}
              />
            </Fold>
          </Part>
          {answered.length > 0 && (
            <Part title="Answered" id="answered">
              {answered.map((request) => (
                <RequestRow key={request.id} request={request} {...props} />
              ))}
            </Part>
          )}
        </>
      )}
      <Part title="Whose machine it is" id="owner">
        {owner === '' && (
          <EmptyPlace>
            It counts as your own: nothing is asked, and nothing waits. Write a name down where it is somebody else’s.
          </EmptyPlace>
        )}
        <AnswerForm
          draftKey={`owner:${restorationId}`}
          fields={[
            { name: 'owner', label: 'Owner', optional: true, half: true, hint: 'Empty: your own' },
            {
              name: 'spend',
              label: 'Purchases up to this, without asking',
              kind: 'number',
              unit: currency,
              half: true,
              optional: true,
            },
            { name: 'words', label: 'In the owner’s words', kind: 'long', optional: true },
          ]}
          initial={{ owner, spend, words: allowed.words }}
          submit="Save owner"
          done="Owner saved."
          keeps
          beside={{ stages }}
          drawnWith={{ stages: chosen?.drawn ?? allowed.stages }}
          onDone={() => choose(null)}
          send={(values) => setOwnerOf({ restorationId, stages, ...values })}
        >
          {() => (
            <Box role="group" aria-label="Allowed without asking">
              <Text fontWeight="650">Allowed without asking</Text>
              <Flex gap="5" wrap="wrap">
                {CHANGING.map((stage) => (
                  <Check
                    key={stage}
                    checked={stages.includes(stage)}
                    onChange={(checked) =>
                      choose({
                        stages: checked ? [...stages, stage] : stages.filter((known) => known !== stage),
                        drawn: chosen?.drawn ?? allowed.stages,
                      })
                    }
                  >
                    {STAGE_WORDS[stage].title}
                  </Check>
                ))}
              </Flex>
            </Box>
          )}
        </AnswerForm>
      </Part>
    </>
  );
}

function RequestRow({ request, letters, costs, pieces, restorationId, timeZone }: Props & { request: OwnerRequest }) {
  const { id, what, why, alternatives, stage, about, pieceId, askedAt, answer, answerWords, answeredAt } = request;
  const letter = letters[id] ?? '';
  const tag = pieces.find((piece) => piece.id === pieceId)?.tag;
  const copy = () =>
    navigator.clipboard
      .writeText(letter)
      .then(() => say('Copied. Paste it into a message.'))
      .catch(() => warn('The browser does not let Kvell copy here. Open the text and copy it by hand.'));
  return (
    <Box borderTopWidth="1px" borderColor="line" py="3">
      <Text fontWeight="650">{what}</Text>
      <Text color="soft">
        {[about, STAGE_WORDS[stage].title, tag, costs[id], `asked ${showTime(askedAt, timeZone, 'd MMM yyyy')}`]
          .filter(Boolean)
          .join(' · ')}
      </Text>
      {answer === null ? (
        <>
          <Flex gap="3" wrap="wrap" my="2">
            <Button onClick={() => void copy()}>Copy as text</Button>
            <Button asChild>
              <a href={`/api/restorations/${restorationId}/requests/${id}`} download>
                Save as PDF
              </a>
            </Button>
          </Flex>
          <Fold summary="Read the text" quiet>
            <Box as="pre" whiteSpace="pre-wrap" fontFamily="body" bg="sheet" p="3" borderWidth="1px" borderColor="line">
              {letter}
            </Box>
          </Fold>
          <Fold summary="Write the answer down">
            <AnswerForm
              draftKey={`answer:${id}`}
              fields={[
                { name: 'answer', label: 'Answer', kind: 'choice', options: options(ANSWERS), half: true },
                { name: 'answerWords', label: 'Conditions or words', optional: true, half: true },
              ]}
              initial={{ answer: 'yes', answerWords: '' }}
              submit="Keep the answer"
              done="Answer kept, with today’s date."
              send={(values) => addAnswer({ requestId: id, ...values })}
            />
          </Fold>
        </>
      ) : (
        <>
          <Text>
            <b>{answer}</b>
            {answerWords && `: ${answerWords}`} ({showTime(answeredAt!, timeZone, 'd MMM yyyy')})
          </Text>
          <Fold summary="What was asked" quiet>
            <Text>Why: {why}</Text>
            <Text>What else could be done: {alternatives}</Text>
          </Fold>
        </>
      )}
    </Box>
  );
}
