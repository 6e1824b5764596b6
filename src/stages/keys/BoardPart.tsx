'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Observed } from '@/core/keyboard/evidence';
import { KIND } from '@/core/keyboard/kinds';
import { viewHref } from '@/core/runsheet/views';
import type { KeyboardRow } from '@/data/rows';
import { AnswerForm } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/links';
import { MainAction } from '@/ui/MainAction';
import { say } from '@/ui/toast';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { removeKey, saveKey } from './actions';
import { BoardChoice } from './BoardChoice';
import { BoardDrawing } from './BoardDrawing';
import { marksOf } from './marks';
import type { KeyPhoto } from './view';

const StickingPart = dynamic(() => import('./StickingPart').then((part) => part.StickingPart));
const NewBoard = dynamic(() => import('./NewBoard').then((part) => part.NewBoard));

interface Props {
  restorationId: string;
  boards: readonly { id: string; name: string }[];
  board: KeyboardRow;
  photos: readonly KeyPhoto[];
  /** What its keys did last. */
  seen: Readonly<Record<string, Observed>>;
  tested: boolean;
}

/** The keyboard as it is drawn; a key that is tapped can be named, moved and sized. */
export function BoardPart({ restorationId, boards, board, photos, seen, tested }: Props) {
  const [key, setKey] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const files = `/api/restorations/${restorationId}/keys?board=${board.id}`;
  const dead = Object.values(seen).filter((one) => one !== 'works').length;
  const href = (view: string) => `${viewHref(restorationId, 'keys', view)}?board=${board.id}`;
  const marks = { ...marksOf(seen), ...(key && { [key]: { tone: 'chosen' as const, sign: '›', words: 'chosen' } }) };
  return (
    <>
      <BoardChoice restorationId={restorationId} view="" boards={boards} here={board.id} />
      <Text mb="3">
        <b>{board.name}</b>, {board.keys.length === 1 ? 'one key' : `${board.keys.length} keys`}.{' '}
        {KIND[board.kind].title}.{' '}
        {tested
          ? dead === 0
            ? 'All that was tried works.'
            : `${dead} did not work when last tried.`
          : 'Not tested yet.'}
      </Text>
      <BoardDrawing
        board={board}
        label={`Drawing of ${board.name}`}
        marks={marks}
        onTap={(id) => {
          setAdding(false);
          setKey(id === key ? null : id);
        }}
      />
      {key !== null || adding ? (
        <KeyForm
          key={key ?? 'new'}
          board={board}
          name={adding ? null : key}
          onDone={() => (setKey(null), setAdding(false))}
        />
      ) : (
        <MainAction>
          <LinkButton look="go" bench href={href(tested && dead > 0 ? 'find' : 'test')}>
            {tested && dead > 0 ? 'Find the fault' : 'Test every key'}
          </LinkButton>
          <Button onClick={() => setAdding(true)}>Add a key</Button>
        </MainAction>
      )}
      <Fold summary="A key sticks, rubs or is stiff">
        <StickingPart kind={board.kind} />
      </Fold>
      <Fold summary="Files of this keyboard, or take it back">
        <Flex gap="2" wrap="wrap">
          {(['pdf', 'svg', 'json', 'csv'] as const).map((as) => (
            <Button key={as} asChild>
              <a href={`${files}&as=${as}`} download>
                {as.toUpperCase()}
              </a>
            </Button>
          ))}
          <TakeThingBack what="keyboard" id={board.id} name={board.name}>
            Take the drawing back
          </TakeThingBack>
        </Flex>
      </Fold>
      <Fold summary="Another keyboard of this machine">
        <NewBoard restorationId={restorationId} photos={photos} first={false} />
      </Fold>
    </>
  );
}

const length = (name: string, label: string) => ({ name, label, kind: 'number', unit: 'mm', third: true }) as const;

function KeyForm({ board, name, onDone }: { board: KeyboardRow; name: string | null; onDone: () => void }) {
  const router = useRouter();
  const { wrong, busy, send } = useSend();
  const key = board.keys.find(({ id }) => id === name);
  const size = board.keys[0]!;
  const initial = key
    ? { id: key.id, x: String(key.x), y: String(key.y), w: String(key.w), h: String(key.h) }
    : { id: '', x: '', y: '', w: String(size.w), h: String(size.h) };
  return (
    <Box borderLeftWidth="8px" borderColor="work" pl="4" mt="3">
      <AnswerForm<void>
        draftKey={`key-${board.id}-${name ?? 'new'}`}
        fields={[
          { name: 'id', label: name === null ? 'What is on the new key' : 'What is on its cap', half: true },
          length('x', 'From the left'),
          length('y', 'From above'),
          length('w', 'Width'),
          length('h', 'Height'),
        ]}
        initial={initial}
        submit={name === null ? 'Add the key' : 'Keep the key so'}
        done={name === null ? 'Key added.' : 'Key drawn anew.'}
        send={(values) => saveKey({ keyboardId: board.id, was: name ?? '', ...values })}
        onDone={() => {
          onDone();
          router.refresh();
        }}
      />
      <Flex gap="2" mt="2">
        <Button onClick={onDone}>Leave it</Button>
        {name !== null && (
          <Button
            look="bare"
            disabled={busy}
            onClick={() =>
              send(
                () => removeKey({ keyboardId: board.id, key: name }),
                () => {
                  say(`Key ${name} taken away.`);
                  onDone();
                },
              )
            }
          >
            There is no such key
          </Button>
        )}
      </Flex>
      <Wrong words={wrong} />
    </Box>
  );
}
