import path from 'node:path';
import { evened } from '@/core/picture/flatField';
import { measurePicture } from '@/core/picture/measure';
import { measureSpecSchema } from '@/core/picture/spec';
import { warningWords } from '@/measuring/warningWords';
import { pictureCommand, pictureOf } from './pictures';

/** `npm run -s measure -- photo.jpg spec.json`: the colours of a photograph’s regions. */
process.exitCode = await pictureCommand({
  name: 'measure',
  schema: measureSpecSchema,
  compute: async (photo, spec, folder) => {
    const picture = await pictureOf(photo);
    const flat = spec.flatField === undefined ? null : await pictureOf(path.resolve(folder, spec.flatField));
    const { result } = measurePicture(flat ? evened(picture, flat) : picture, spec);
    return { ...result, warnings: result.warnings.map(warningWords) };
  },
});
