import { insideOnly } from '@/edge/entered';
import Joi from 'joi';
import { getWorkshop, placeOf } from '@/data/workshop';
import { answer } from '@/edge/answer';
import { Refusal } from '@/core/refusal';
import { sky } from '../../sky';

interface Asked {
  from: Date;
  hours: number;
  latitude?: number;
  longitude?: number;
}

const askedSchema = Joi.object<Asked>({
  from: Joi.date().iso().required(),
  hours: Joi.number().integer().min(1).max(400).default(24),
  latitude: Joi.number().min(-90).max(90),
  longitude: Joi.number().min(-180).max(180),
}).and('latitude', 'longitude');

/** `GET /api/weather?from=2026-06-21T00:00Z&hours=24`: cloud hour by hour at the workshop's place, or at the one given. */
export const GET = insideOnly(async (request: Request): Promise<Response> => {
  const given = Object.fromEntries(new URL(request.url).searchParams);
  const answered = await answer(askedSchema, given, async ({ from, hours, latitude, longitude }) => {
    const workshop = await getWorkshop();
    const place =
      latitude === undefined || longitude === undefined
        ? placeOf(workshop)
        : { latitude, longitude, altitudeM: workshop.altitudeM };
    if (!place)
      throw new Refusal(
        'latitude',
        'The workshop has no place yet. Set it under Workshop, or ask with latitude and longitude.',
      );
    return {
      place: { latitude: place.latitude, longitude: place.longitude },
      hours: await sky(place, from, hours),
    };
  });
  return answered.ok ? Response.json(answered.value) : Response.json({ errors: answered.errors }, { status: 400 });
});
