'use client';

import { ChakraProvider } from '@chakra-ui/react';
import { ThemeProvider } from 'next-themes';
import { StyleRegistry } from './StyleRegistry';
import { system } from './theme';
import { ToastPlace } from './toast';

/** Theme, light or dark, and the place where toasts appear. */
export function Provider({ nonce, children }: { nonce: string | undefined; children: React.ReactNode }) {
  return (
    <StyleRegistry nonce={nonce}>
      <ChakraProvider value={system}>
        <ThemeProvider attribute="class" defaultTheme="system" disableTransitionOnChange {...(nonce && { nonce })}>
          {children}
          <ToastPlace />
        </ThemeProvider>
      </ChakraProvider>
    </StyleRegistry>
  );
}
