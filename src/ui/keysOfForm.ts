/** A key that nothing else has. A phone in the network at home has no `randomUUID`: that asks for a certificate. */
export const newKey = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');

/**
 * Keys of what one form sends: what was sent and not answered is sent again under its key, so that it is done once;
 * anything else that is typed is another thing, and so is the same once it was answered.
 */
export function keysOfForm() {
  let [json, key] = ['', ''];
  return {
    of: (values: Record<string, unknown>): string => {
      const now = JSON.stringify(values);
      if (now !== json) [json, key] = [now, newKey()];
      return key;
    },
    answered: () => {
      json = '';
    },
  };
}
