'use client';

import { createToaster, Portal, Stack, Toast, Toaster } from '@chakra-ui/react';
import type { Undo } from './undoable';

// Above the work: the hand is at the lower edge, where the main action is.
const toaster = createToaster({ placement: 'top-end', pauseOnPageIdle: true });

/** So many times as long as it would it stays at most. */
const HELD = 2;

/** The last warning, which is over once something went well. */
let warning: string | undefined;

/** Says that something was saved or done; it goes by itself, later where it can be undone. */
export function say(words: string, undo?: Undo): void {
  if (warning) toaster.dismiss(warning);
  warning = undefined;
  const duration = undo ? 15_000 : 3500;
  const id = toaster.create({
    ...{ description: words, duration, type: 'info' },
    ...(undo && { action: { label: undo.title, onClick: undo.act } }),
  });
  // A pointer that rests where it is said holds it there, and what lies below it cannot be reached: not for ever.
  setTimeout(() => toaster.dismiss(id), HELD * duration);
}

/** Says what went wrong; it stays until it is put away. */
export function warn(words: string): void {
  warning = toaster.create({ description: words, duration: 60_000, type: 'error', closable: true });
}

export function ToastPlace() {
  return (
    <Portal>
      <Toaster toaster={toaster} insetInline={{ mdDown: '4' }}>
        {(toast) => (
          <Toast.Root
            bg={toast.type === 'error' ? 'hazard' : 'ink'}
            color={toast.type === 'error' ? 'onHazard' : 'paper'}
            borderRadius="3px"
            marginTop="44px"
            width={{ base: '100%', md: '420px' }}
            // What only says something goes at a tap: it lies over the work, and stays as long as a pointer rests on it.
            {...(!toast.action && !toast.closable && { onClick: () => toaster.dismiss(toast.id) })}
          >
            <Stack gap="1" flex="1">
              <Toast.Description>{toast.description}</Toast.Description>
            </Stack>
            {toast.action && (
              <Toast.ActionTrigger minHeight="44px" px="3" color="paper" fontWeight="650" textDecoration="underline">
                {toast.action.label}
              </Toast.ActionTrigger>
            )}
            {toast.closable && <Toast.CloseTrigger />}
          </Toast.Root>
        )}
      </Toaster>
    </Portal>
  );
}
