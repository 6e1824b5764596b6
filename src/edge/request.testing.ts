/** Stands in for `next/headers` in unit tests, where no request is at hand: this machine's own, unless a test says otherwise. */
const OWN = { host: '127.0.0.1:3000', pass: undefined as string | undefined };
let asked = OWN;

/** What the next calls are asked with. */
export function ask(request: Partial<typeof OWN> = {}): void {
  asked = { ...OWN, ...request };
}

export const headers = (): Promise<Headers> => Promise.resolve(new Headers({ host: asked.host }));
export const cookies = (): Promise<{ get: (name: string) => { value: string } | undefined }> =>
  Promise.resolve({ get: () => (asked.pass === undefined ? undefined : { value: asked.pass }) });
