'use client';

import { ChakraProvider } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { ThemeProvider } from 'next-themes';
import { StyleRegistry } from './StyleRegistry';
import { system } from './theme';

const ToastPlace = dynamic(() => import('./Toasts').then((part) => part.ToastPlace), { ssr: false });

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
