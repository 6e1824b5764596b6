'use client';

import { Dialog, Grid, Portal, Text } from '@chakra-ui/react';
import { Fragment } from 'react';

const KEYS = [
  ['1 to 9', 'a stage of the restoration that is open; pressed again, its next view'],
  ['/', 'find anything'],
  ['n', 'new: a restoration, or a piece inside one'],
  ['l', 'write into the log'],
  ['p f m', 'on a stage: photographs, findings, minutes'],
  ['t', 'what runs'],
  ['b', 'bench'],
  ['r', 'run sheet, or all restorations'],
  ['?', 'this list'],
  ['arrows', 'on a picture: move what is chosen, with shift in larger steps'],
] as const;

/** The list of keys. */
export function KeysDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog.Root open={open} onOpenChange={({ open: now }) => !now && onClose()} placement="center">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" borderRadius="3px" mx="4">
            <Dialog.Header>
              <Dialog.Title>Keys</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body pb="6">
              <Grid templateColumns="auto 1fr" columnGap="5" rowGap="2">
                {KEYS.map(([key, words]) => (
                  <Fragment key={key}>
                    <Text fontFamily="mono">{key}</Text>
                    <Text>{words}</Text>
                  </Fragment>
                ))}
              </Grid>
              <Text mt="3" color="soft">
                None of them fires while you type.
              </Text>
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
