import { insideOnly } from '@/edge/entered';
import { Refusal } from '@/core/refusal';
import { readJson } from '@/edge/body';
import { findSum, SUMS } from '@/core/sums/catalogue';
import { runSum } from '@/core/sums/run';

/** More than any sum takes. */
const MOST_BYTES = 1_048_576;

/** `POST /api/sums/<name>`: JSON in, the sum's output out; with `?explain=1` its figures and working too. */
export const POST = insideOnly(
  async (request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> => {
    const { name } = await params;
    const sum = findSum(name);
    if (!sum)
      return Response.json(
        {
          errors: [
            { field: 'name', message: `There is no sum “${name}”. One of: ${SUMS.map((s) => s.name).join(', ')}.` },
          ],
        },
        { status: 404 },
      );
    let given: unknown;
    try {
      given = await readJson(request, MOST_BYTES);
    } catch (failure) {
      if (!(failure instanceof Refusal)) throw failure;
      return Response.json(
        { errors: [{ field: '', message: `${failure.message} Example: ${JSON.stringify(sum.example)}` }] },
        { status: 400 },
      );
    }
    const outcome = runSum(sum, given);
    if (!outcome.ok) return Response.json({ errors: outcome.errors }, { status: 400 });
    const explain = new URL(request.url).searchParams.has('explain');
    return Response.json(
      explain ? { output: outcome.output, figures: outcome.figures, working: outcome.working } : outcome.output,
    );
  },
);
