'use client';

import type { FieldError } from '@/core/sums/fieldErrors';
import { AnswerForm } from '@/ui/AnswerForm';

type Answer = { ok: true; value: void } | { ok: false; errors: FieldError[] };

/** The passphrase, and then straight to the bench. */
export function EnterForm({ to }: { to: string }) {
  return (
    <AnswerForm
      draftKey="enter"
      fields={[{ name: 'passphrase', label: 'Passphrase', kind: 'secret' }]}
      initial={{ passphrase: '' }}
      submit="Enter"
      bench
      send={async (values): Promise<Answer> => {
        const response = await fetch('/api/enter', {
          method: 'POST',
          body: JSON.stringify(values),
          headers: { 'Content-Type': 'application/json' },
        });
        return (await response.json()) as Answer;
      }}
      // A whole new page: the pass is in a cookie that this one was drawn without.
      onDone={() => location.assign(to)}
    />
  );
}
