/** @jest-environment node */
import { photosOf, readOriginal } from '@/data/photos/store';
import { inTrialWorkshop, trialPhoto, trialRestoration } from '@/work/trial';
import { POST } from './route';

inTrialWorkshop();

interface Answered {
  ok: boolean;
  errors?: { field: string; message: string }[];
}

async function multipart(restorationId: string, bytes: Uint8Array): Promise<{ body: Uint8Array; type: string }> {
  const form = new FormData();
  form.set('restorationId', restorationId);
  form.set('stage', 'teardown');
  form.set('photo', new File([bytes as BlobPart], 'lid.jpg', { type: 'image/jpeg' }));
  const whole = new Response(form);
  return { body: new Uint8Array(await whole.arrayBuffer()), type: whole.headers.get('content-type')! };
}
const post = async (body: Uint8Array, type: string) => {
  const response = await POST(
    new Request('http://127.0.0.1/api/photos', {
      method: 'POST',
      body: body as BodyInit,
      headers: { 'Content-Type': type, 'Content-Length': String(body.length) },
    }),
  );
  return { status: response.status, ...((await response.json()) as Answered) };
};

it('an upload that breaks off in the middle keeps nothing and says so; sent again it is there once', async () => {
  const { id } = await trialRestoration();
  const jpeg = await readOriginal(await trialPhoto((await trialRestoration()).id, 5));
  const { body, type } = await multipart(id, jpeg);
  const broken = await post(body.subarray(0, body.length - 60), type);
  expect(broken).toMatchObject({ status: 400, ok: false });
  expect(broken.errors![0]!.message).toMatch(/did not arrive whole/);
  expect(await photosOf(id)).toEqual([]);
  expect((await post(body, type)).ok).toBe(true);
  expect((await post(body, type)).ok).toBe(true);
  expect(await photosOf(id)).toHaveLength(1);
});

it('a file whose own end is missing is refused as a picture', async () => {
  const { id } = await trialRestoration();
  const jpeg = await readOriginal(await trialPhoto((await trialRestoration()).id, 6));
  const { body, type } = await multipart(id, jpeg.subarray(0, jpeg.length - 200));
  expect(await post(body, type)).toMatchObject({ status: 400, ok: false });
  expect(await photosOf(id)).toEqual([]);
});
