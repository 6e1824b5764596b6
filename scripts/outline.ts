import { outlineOf } from '@/core/mending/outline/outline';
import { outlineSpecSchema } from '@/core/mending/outline/spec';
import { pictureCommand, pictureOf } from './pictures';

/** `npm run -s outline -- photo.jpg spec.json`: the outline of the part round a place on a photograph, in mm. */
process.exitCode = await pictureCommand({
  name: 'outline',
  schema: outlineSpecSchema,
  compute: async (photo, spec) => outlineOf(await pictureOf(photo), spec),
});
