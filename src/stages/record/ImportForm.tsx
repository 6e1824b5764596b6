'use client';

import { Box, Flex, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import type { FieldError } from '@/core/sums/fieldErrors';
import { notArrived } from '@/ui/notArrived';
import { say } from '@/ui/toast';
import { Working } from '@/ui/Working';
import { Check } from '@/ui/Check';

/** Takes a restoration back in from the ZIP that a record page exported. */
export function ImportForm() {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [copy, setCopy] = useState(false);
  const [busy, setBusy] = useState(false);
  const [errors, setErrors] = useState<string[]>([]);
  async function send(file: File) {
    setBusy(true);
    setErrors([]);
    try {
      const response = await fetch(`/api/restorations/import?copy=${copy}`, { method: 'POST', body: file });
      const answered = (await response.json()) as { ok: true; value: string } | { ok: false; errors: FieldError[] };
      if (!answered.ok) return setErrors(answered.errors.map(({ message }) => message));
      say('Restoration imported.');
      router.push(`/restorations/${answered.value}`);
      router.refresh();
    } catch (failure) {
      setErrors([notArrived(failure, 'Look for it in the list before you send it again.')]);
    } finally {
      setBusy(false);
    }
  }
  return (
    <Box>
      <input
        ref={input}
        type="file"
        accept=".zip"
        aria-label="ZIP of a restoration"
        hidden
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void send(file);
        }}
      />
      {busy ? (
        <Working share={null} words="Taking the restoration in." />
      ) : (
        <Flex gap="4" align="center" wrap="wrap">
          <Button onClick={() => input.current?.click()}>Choose the ZIP</Button>
          <Check checked={copy} onChange={(checked) => setCopy(checked)}>
            Import as a copy
          </Check>
        </Flex>
      )}
      {errors.map((message) => (
        <Text key={message} role="alert" borderLeftWidth="8px" borderColor="hazard" pl="3" mt="3">
          {message}
        </Text>
      ))}
    </Box>
  );
}
