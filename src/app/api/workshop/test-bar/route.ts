import { FAMILIES } from '@/core/mending/part/families';
import { partOf } from '@/core/mending/part/part';
import { insideOnly } from '@/edge/entered';
import { asFile } from '@/edge/fileName';

/** `GET /api/workshop/test-bar`: the bar that tells what a printer does to sizes, STL in mm. */
export const GET = insideOnly(async (): Promise<Response> => {
  const { stl } = partOf('test-bar', FAMILIES['test-bar'].example);
  return asFile(new Uint8Array(stl), 'model/stl', 'test-bar.stl');
});
