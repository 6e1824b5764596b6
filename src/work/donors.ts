import type { Lab } from '@/core/colour/types';
import { Refusal } from '@/core/refusal';
import { inTransaction } from '@/data/connection';
import { appendLog } from '@/data/log';
import type { Donor, DonorPartRow } from '@/data/rows';
import { addRow, changeRow, findRows, needRow } from '@/data/table';
import { takeBack } from './takenBack';

/** A machine that gives its parts to others comes in. */
export async function addDonor(donor: Pick<Donor, 'name' | 'words'>, now: Date): Promise<string> {
  return inTransaction(async () => {
    const { id } = await addRow('donors', { ...donor, addedAt: now.toISOString() });
    await appendLog(
      { restorationId: null, stage: null, kind: 'donor', words: `Donor: ${donor.name}.`, data: { donorId: id } },
      now,
    );
    return id;
  });
}

/** What sits on a donor and may be of use. */
export async function addDonorPart(
  part: Omit<DonorPartRow, 'id' | 'addedAt' | 'restorationId' | 'takenAt'>,
  now: Date,
): Promise<string> {
  return inTransaction(async () => {
    const { name } = await needRow('donors', part.donorId);
    const { id } = await addRow('donor_parts', {
      ...part,
      ...{ addedAt: now.toISOString(), restorationId: null, takenAt: null },
    });
    await appendLog(
      {
        ...{ restorationId: null, stage: null, kind: 'donor' },
        words: `On ${name}: ${part.what}.`,
        data: { donorPartId: id },
      },
      now,
    );
    return id;
  });
}

/** The colour of a part of a donor as it was measured; the one before can be read in the log. */
export async function setDonorPartColour(partId: string, lab: Lab, now: Date): Promise<void> {
  await inTransaction(async () => {
    const part = await needRow('donor_parts', partId);
    const { name } = await needRow('donors', part.donorId);
    await changeRow('donor_parts', { id: partId }, { lab });
    await appendLog(
      {
        ...{ restorationId: null, stage: null, kind: 'donor' },
        words: `Measured: ${part.what}, on ${name}: L* ${lab[0].toFixed(1)}, a* ${lab[1].toFixed(1)}, b* ${lab[2].toFixed(1)}.`,
        data: { donorPartId: partId, lab, before: part.lab },
      },
      now,
    );
  });
}

/**
 * Takes a part off its donor for a restoration, whose record says where it came from.
 *
 * @throws Refusal where it was taken already
 */
export async function takeDonorPart(partId: string, restorationId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const part = await needRow('donor_parts', partId);
    await needRow('restorations', restorationId);
    if (part.restorationId !== null)
      throw new Refusal('partId', `“${part.what}” was taken already. Look for another, or put it back first.`);
    const { name } = await needRow('donors', part.donorId);
    await changeRow('donor_parts', { id: partId }, { restorationId, takenAt: now.toISOString() });
    await appendLog(
      {
        ...{ restorationId, stage: 'mend', kind: 'donor' },
        words: `From a donor: ${part.what}, off ${name}.`,
        data: { donorPartId: partId },
      },
      now,
    );
  });
}

/** @throws Refusal for a part that sits on its donor */
export async function putDonorPartBack(partId: string, now: Date): Promise<void> {
  await inTransaction(async () => {
    const { restorationId, what, donorId } = await needRow('donor_parts', partId);
    if (restorationId === null) throw new Refusal('partId', `“${what}” sits on its donor.`);
    const { name } = await needRow('donors', donorId);
    await changeRow('donor_parts', { id: partId }, { restorationId: null, takenAt: null });
    await appendLog(
      {
        ...{ restorationId, stage: 'mend', kind: 'donor' },
        words: `Back on its donor: ${what}, ${name}.`,
        data: { donorPartId: partId },
      },
      now,
    );
  });
}

/** Takes back a donor that was entered by mistake. @throws Refusal where something of it was taken */
export async function takeDonorBack(id: string, now: Date): Promise<string> {
  const { name } = await needRow('donors', id);
  const taken = (await findRows('donor_parts', { donorId: id })).filter(({ restorationId }) => restorationId !== null);
  if (taken.length > 0)
    throw new Refusal('id', `${taken[0]!.what} was taken off “${name}”, and that stays in the record.`);
  return takeBack(
    {
      ...{ restorationId: null, stage: null, what: `donor ${name}` },
      remove: [
        { table: 'donor_parts', where: { donorId: id } },
        { table: 'donors', where: { id } },
      ],
    },
    now,
  );
}

/** Takes back a part that is not on its donor after all. @throws Refusal where it was taken */
export async function takeDonorPartBack(id: string, now: Date): Promise<string> {
  const { what, restorationId } = await needRow('donor_parts', id);
  if (restorationId !== null) throw new Refusal('id', `“${what}” was taken for a restoration. Put it back first.`);
  return takeBack(
    {
      ...{ restorationId: null, stage: null, what: `part of a donor: ${what}` },
      remove: [{ table: 'donor_parts', where: { id } }],
    },
    now,
  );
}
