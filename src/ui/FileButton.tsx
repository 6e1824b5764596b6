'use client';

import { Button } from '@/ui/Button';
import { useRef } from 'react';

interface Props {
  /** What the file is, for those who do not see the button. */
  label: string;
  accept: string;
  busy?: boolean;
  onFile: (file: File) => void;
  children: React.ReactNode;
}

/** A button that takes a file in; the same file can be taken again. */
export function FileButton({ label, accept, busy = false, onFile, children }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button loading={busy} onClick={() => input.current?.click()}>
        {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept={accept}
        hidden
        aria-label={label}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
