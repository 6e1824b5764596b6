'use client';

import { Box, Flex, Grid, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { movePin } from '@/clipboard/actions';
import { FindingForm } from '@/clipboard/FindingForm';
import { FindingRow } from '@/clipboard/FindingRow';
import type { Aim } from '@/core/intake/aim';
import type { Share } from '@/core/picture/picture';
import type { Finding, Photo, Piece } from '@/data/rows';
import { Fold } from '@/ui/Fold';
import { EmptyPlace, Part } from '@/ui/layout';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { photoUrl } from '@/ui/photoUrl';
import { PinnedPhoto } from '@/ui/PinnedPhoto';
import { useSend } from '@/ui/useSend';
import { Wrong } from '@/ui/Wrong';
import { TakeThingBack } from '@/undo/TakeThingBack';

interface Props {
  restorationId: string;
  photos: readonly Photo[];
  pieces: readonly Piece[];
  findings: readonly Finding[];
  aim: Aim;
}

/** So many that are settled fold away. */
const MANY_SETTLED = 3;

/** The condition survey: photographs of every side with pins, and beside them what each pin says. */
export function Survey({ restorationId, photos, pieces, findings, aim }: Props) {
  const router = useRouter();
  const [shown, setShown] = useState<string | null>(null);
  const [place, setPlace] = useState<Share | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  /** The finding whose pin the next tap sets. */
  const [moving, setMoving] = useState<string | null>(null);
  const { wrong, send } = useSend();
  const photo = photos.find(({ id }) => id === shown) ?? photos[0] ?? null;
  // Numbered through the whole machine, so that a number means one thing on every photograph.
  const marks = new Map(findings.filter(({ pin }) => pin !== null).map(({ id }, i) => [id, String(i + 1)]));
  const here = findings.filter(({ photoId, pin }) => pin !== null && photo !== null && photoId === photo.id);
  const others = findings.filter((finding) => !here.includes(finding));
  // What is settled steps back once there is much of it.
  const settled = others.filter(({ settledAs }) => settledAs !== null);
  const closed = settled.length >= MANY_SETTLED ? settled : [];
  const open = others.filter((finding) => !closed.includes(finding));
  const row = (finding: Finding) => {
    const piece = pieces.find(({ id }) => id === finding.pieceId);
    const mark = marks.get(finding.id);
    return (
      <FindingRow
        key={finding.id}
        finding={finding}
        aim={piece?.aim ?? aim}
        pieces={pieces}
        {...(photo && { onMove: () => setMoving(finding.id) })}
        chosen={chosen === finding.id}
        {...(mark && { mark })}
      />
    );
  };
  const show = (id: string) => {
    setShown(id);
    setPlace(null);
    setChosen(null);
  };
  return (
    <Part title="Condition survey" id="survey">
      <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1.15fr) minmax(0, 1fr)' }} gap="6">
        <Box>
          {photo && (
            <div data-main-action>
              <PinnedPhoto
                photoId={photo.id}
                size={photo}
                alt={`${photo.originalName}, tap it to pin what you find`}
                pins={[
                  ...here.map(({ id, pin, kind }) => ({
                    ...pin!,
                    mark: marks.get(id)!,
                    name: `${marks.get(id)}: ${kind}`,
                    chosen: id === chosen,
                  })),
                  ...(place ? [{ ...place, mark: '?', name: '? new pin: take it away', chosen: true }] : []),
                ]}
                onPlace={(tapped) => {
                  if (moving === null || !photo) return setPlace(tapped);
                  send(
                    () => movePin({ findingId: moving, photoId: photo.id, pin: tapped }),
                    () => setMoving(null),
                  );
                }}
                onPin={(index) => (here[index] ? setChosen(here[index].id) : setPlace(null))}
              />
              <Text color="soft" fontSize="15px" mt="1">
                {moving !== null
                  ? 'Tap where its pin belongs.'
                  : place
                    ? 'Say what it is there.'
                    : 'Tap the photograph where something is wrong, or worth keeping.'}
              </Text>
            </div>
          )}
          <Wrong words={wrong} />
          {photo && <TakeThingBack what="photograph" id={photo.id} name={photo.originalName} />}
          {photos.length > 1 && (
            <Flex as="ul" listStyleType="none" gap="2" wrap="wrap" mt="3" aria-label="Sides photographed">
              {photos.map(({ id, originalName }) => {
                const pinned = findings.filter(({ photoId, pin }) => photoId === id && pin !== null).length;
                return (
                  <li key={id}>
                    <Button
                      aria-pressed={id === photo?.id}
                      aria-label={`${pinned > 0 ? `${pinned} ` : ''}Show ${originalName}${pinned > 0 ? `, ${pinned} pins` : ''}`}
                      onClick={() => show(id)}
                      p="0"
                      height="66px"
                      minWidth="88px"
                      overflow="hidden"
                      position="relative"
                      borderWidth={id === photo?.id ? '4px' : '1.5px'}
                      borderColor={id === photo?.id ? 'work' : 'lineStrong'}
                    >
                      {/* eslint-disable-next-line @next/next/no-img-element */}
                      <img
                        src={photoUrl(id, 'small')}
                        alt=""
                        width={88}
                        height={66}
                        style={{ objectFit: 'cover', width: '100%', height: '100%' }}
                      />
                      {pinned > 0 && (
                        <Box
                          position="absolute"
                          right="1"
                          bottom="1"
                          bg="amber"
                          color="onAmber"
                          borderRadius="50%"
                          minWidth="24px"
                          fontSize="14px"
                        >
                          {pinned}
                        </Box>
                      )}
                    </Button>
                  </li>
                );
              })}
            </Flex>
          )}
          <Box mt="3">
            {photos.length === 0 && (
              <EmptyPlace>
                No photograph yet. Every side, before anything is touched; then tap on them what you find.
              </EmptyPlace>
            )}
            <div {...(!photo && { 'data-main-action': true })}>
              <PhotoUpload
                restorationId={restorationId}
                stage="intake"
                pieceId={null}
                onAdded={() => router.refresh()}
              />
            </div>
          </Box>
        </Box>
        <Box>
          {place && photo && (
            <Box bg="sheet" borderLeftWidth="8px" borderColor="work" p="4" mb="4">
              <FindingForm
                restorationId={restorationId}
                stage="intake"
                pieces={pieces}
                pinned={{ photoId: photo.id, pin: place }}
                onDone={() => setPlace(null)}
              />
            </Box>
          )}
          {here.map(row)}
          {others.length > 0 && here.length > 0 && (
            <Text color="soft" fontSize="15px" mt="4" mb="1">
              On other photographs, or without a pin
            </Text>
          )}
          {open.map(row)}
          {closed.length > 0 && (
            <Fold quiet summary={`Settled: ${closed.length}`}>
              {closed.map(row)}
            </Fold>
          )}
          {findings.length === 0 && !place && (
            <Text color="soft" mb="2">
              Nothing found yet. A finding opens the stage that it asks for, and the stage is done with its last
              finding.
            </Text>
          )}
          {!place && (
            <Fold summary="Add a finding without a pin" openAtFirst={photos.length === 0}>
              <FindingForm restorationId={restorationId} stage="intake" pieces={pieces} />
            </Fold>
          )}
        </Box>
      </Grid>
    </Part>
  );
}
