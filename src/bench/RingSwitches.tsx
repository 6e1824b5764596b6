'use client';

import { Stack } from '@chakra-ui/react';
import { useTheme } from 'next-themes';
import { useSyncExternalStore } from 'react';
import { warn } from '@/ui/toast';
import { ringSettings } from './ring';
import { Check } from '@/ui/Check';

const listeners = new Set<() => void>();
const changed = () => listeners.forEach((tell) => tell());
const subscribe = (tell: () => void) => {
  listeners.add(tell);
  return () => listeners.delete(tell);
};

/** How this device rings and looks. */
export function RingSwitches() {
  const sound = useSyncExternalStore(subscribe, ringSettings.sound, () => true);
  const notice = useSyncExternalStore(subscribe, ringSettings.notice, () => false);
  const { theme, setTheme } = useTheme();
  const shown = useSyncExternalStore(
    subscribe,
    () => theme ?? 'system',
    () => 'system',
  );
  async function wantNotice(on: boolean) {
    if (on && (await Notification.requestPermission()) !== 'granted')
      return warn('The browser does not allow notices from here. Allow them in its settings for this page first.');
    ringSettings.setNotice(on);
    changed();
  }
  return (
    <Stack gap="1" maxWidth="420px">
      <Check
        checked={sound}
        onChange={(on) => {
          ringSettings.setSound(on);
          changed();
        }}
      >
        Ring with a sound when something is due
      </Check>
      <Check checked={notice} onChange={(on) => void wantNotice(on)}>
        Show a notice when something is due
      </Check>
      <label>
        Light or dark{' '}
        <select
          value={shown}
          onChange={(event) => setTheme(event.target.value)}
          style={{
            minHeight: 44,
            marginLeft: 8,
            background: 'var(--chakra-colors-sheet)',
            border: '1.5px solid var(--chakra-colors-line-strong)',
            padding: '0 10px',
          }}
        >
          <option value="system">as this device</option>
          <option value="light">light</option>
          <option value="dark">dark</option>
        </select>
      </label>
    </Stack>
  );
}
