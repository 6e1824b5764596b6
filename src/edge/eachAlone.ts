/**
 * Works for several machines at once; where one of them makes that fail, for each by itself, so that one that cannot be
 * shown takes nothing else with it. What failed is told in the server's output.
 */
export async function eachAlone<In, Out>(
  all: readonly In[],
  work: (some: readonly In[]) => Promise<readonly Out[]>,
): Promise<{ out: Out[]; failed: In[] }> {
  try {
    return { out: [...(await work(all))], failed: [] };
  } catch (together) {
    const alone = await Promise.allSettled(all.map((one) => work([one])));
    const failed = all.filter((_, i) => alone[i]!.status === 'rejected');
    // What fails only for all at once is no machine's fault.
    if (failed.length === 0) throw together;
    for (const each of alone)
      if (each.status === 'rejected') process.stderr.write(`${String((each.reason as Error)?.stack ?? each.reason)}\n`);
    return { out: alone.flatMap((each) => (each.status === 'fulfilled' ? each.value : [])), failed };
  }
}
