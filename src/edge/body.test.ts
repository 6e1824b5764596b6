import { readForm, readJson } from './body';

const request = (body: BodyInit, headers: Record<string, string> = {}) =>
  new Request('http://127.0.0.1/', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);

/** A body without an end, that tells how much of it was asked for. */
function endless(): { stream: ReadableStream<Uint8Array>; asked: () => number } {
  let asked = 0;
  const stream = new ReadableStream<Uint8Array>({
    pull: (controller) => {
      asked += 1024;
      controller.enqueue(new Uint8Array(1024).fill(32));
    },
  });
  return { stream, asked: () => asked };
}

it('a body without an end is left where it grows too long', async () => {
  const { stream, asked } = endless();
  await expect(readJson(request(stream), 8192)).rejects.toThrow('longer than 8 KB');
  expect(asked()).toBeLessThan(8192 + 8 * 1024);
});

it('what fits is read, and what is no JSON is said to be none', async () => {
  expect(await readJson(request('{"a":"ä"}'), 100)).toEqual({ a: 'ä' });
  await expect(readJson(request('a'), 100)).rejects.toThrow('not JSON');
});

it('a form says its length before anything of it is read, and what is none is refused with words', async () => {
  const check = async (headers: Record<string, string>) => {
    const form = await readForm(request('x', headers), 2_097_152, 'file', 'The file');
    return form instanceof FormData ? '' : form.errors.map(({ field, message }) => `${field}: ${message}`).join();
  };
  expect(await check({ 'content-length': '2097153' })).toBe('file: The file is 2 MB. Send up to 2 MB.');
  expect(await check({ 'content-length': '3000000000' })).toBe('file: The file is 2861 MB. Send up to 2 MB.');
  expect(await check({})).toContain('came without its length');
  expect(await check({ 'content-length': 'many' })).toContain('came without its length');
  expect(await check({ 'content-length': '1' })).toBe(
    'file: The file did not arrive whole. Nothing was kept; send it again.',
  );
});
