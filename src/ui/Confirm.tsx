'use client';

import { CloseButton, Dialog, Portal } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';

export interface ConfirmProps {
  /** What opens it. */
  trigger: React.ReactElement<{ onClick?: () => void; 'aria-haspopup'?: 'dialog' }>;
  title: string;
  children: React.ReactNode;
  /** A verb: what happens on yes. */
  yes: string;
  hazard?: boolean;
  onYes: () => void | Promise<void>;
  openAtFirst?: boolean;
}

/** The one question before something that cannot be taken back. */
export function Confirm({ trigger, title, children, yes, hazard = false, onYes, openAtFirst = false }: ConfirmProps) {
  const [open, setOpen] = useState(openAtFirst);
  return (
    <Dialog.Root open={open} onOpenChange={(details) => setOpen(details.open)} role="alertdialog" placement="center">
      <Dialog.Trigger asChild>{trigger}</Dialog.Trigger>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" borderRadius="3px" mx="4">
            <Dialog.Header>
              <Dialog.Title>{title}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>{children}</Dialog.Body>
            <Dialog.Footer>
              <Button look="quiet" onClick={() => setOpen(false)}>
                Not now
              </Button>
              <Button
                look={hazard ? 'hazard' : 'go'}
                onClick={async () => {
                  setOpen(false);
                  await onYes();
                }}
              >
                {yes}
              </Button>
            </Dialog.Footer>
            <Dialog.CloseTrigger asChild>
              <CloseButton aria-label="Close" />
            </Dialog.CloseTrigger>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
