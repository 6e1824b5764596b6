'use client';

import { Box, Flex, Heading, Text } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Solid } from '@/core/mending/part/solid';
import { viewHref } from '@/core/runsheet/views';
import type { PhotoToMark } from '@/ui/picture/photoToMark';
import { AnswerForm } from '@/ui/AnswerForm';
import { Button } from '@/ui/Button';
import { Fold } from '@/ui/Fold';
import { LinkButton } from '@/ui/links';
import { PhotoPick } from '@/ui/picture/PhotoPick';
import { Select } from '@/ui/Select';
import { TakeThingBack } from '@/undo/TakeThingBack';
import { keepPart } from './actions';
import { PartDrawing } from './PartDrawing';

const SolidView = dynamic(() => import('./SolidView').then((part) => part.SolidView), { ssr: false });
const CastPart = dynamic(() => import('./CastPart').then((part) => part.CastPart));

export interface FamilyForm {
  name: string;
  title: string;
  fields: { name: string; label: string }[];
  example: Record<string, string>;
}

export interface KeptPart {
  id: string;
  name: string;
  title: string;
  solid: Solid;
  drawn: { box: readonly [number, number, number, number]; path: string };
}

interface Props {
  restorationId: string;
  families: readonly FamilyForm[];
  parts: readonly KeptPart[];
  photos: readonly PhotoToMark[];
}

/** Parts that are to be made, and the two ways to draw one. */
export function MakePart({ restorationId, families, parts, photos }: Props) {
  return (
    <>
      {parts.length === 0 ? (
        <Text mb="3" maxWidth="62ch">
          A part that is missing or broken, drawn to be printed, cut or filed: from its twin on a photograph, or from
          its sizes. Measure the place that it goes into first.
        </Text>
      ) : (
        parts.map((part) => <Kept key={part.id} restorationId={restorationId} part={part} />)
      )}
      <Heading as="h2" fontSize="22px" mt="4" mb="2">
        From its outline on a photograph
      </Heading>
      <PhotoPick
        restorationId={restorationId}
        stage="mend"
        what="the part"
        how="From straight above, flat on a ground of another colour, with a bank card or a ruler beside it at the same height."
        photos={photos}
        href={viewHref(restorationId, 'mend', 'make')}
      />
      <Fold summary="From its sizes: foot, pin, sleeve, hinge stub, clip, knob and more">
        <FromSizes restorationId={restorationId} families={families} />
      </Fold>
    </>
  );
}

const mm = (value: number) => value.toFixed(value < 10 ? 2 : 1);

function Kept({ restorationId, part: { id, name, title, solid, drawn } }: { restorationId: string; part: KeptPart }) {
  const file = (as: string) => `/api/restorations/${restorationId}/parts?part=${id}&as=${as}`;
  return (
    <Flex gap="4" wrap="wrap" align="start" borderTopWidth="1px" borderColor="line" py="3">
      <Box width="150px">
        <PartDrawing label={`${name} from above`} {...drawn} />
      </Box>
      <Box flex="1 1 260px">
        <Text>
          <b>{name}</b>, {title.toLowerCase()}
        </Text>
        <Text>
          {solid.boxMm.map(mm).join(' × ')} mm, {(solid.volumeMm3 / 1000).toFixed(2)} cm³, about{' '}
          {solid.massG.toFixed(1)} g printed.
        </Text>
        {!solid.watertight && <Text fontWeight="650">Its skin gapes: a printer may leave it out.</Text>}
        <Flex gap="2" mt="2" wrap="wrap">
          <Button asChild>
            <a href={file('stl')} download aria-label={`${name} as STL`}>
              STL
            </a>
          </Button>
          <Button asChild>
            <a href={file('svg')} download aria-label={`${name} as SVG at 1:1`}>
              SVG at 1:1
            </a>
          </Button>
          <Button asChild>
            <a href={file('pdf')} download aria-label={`${name} on paper at 1:1`}>
              On paper at 1:1
            </a>
          </Button>
          <LinkButton href={`${viewHref(restorationId, 'mend', 'make')}?part=${id}`} label={`${name}: for the printer`}>
            For the printer
          </LinkButton>
          <TakeThingBack what="part" id={id} name={name} />
        </Flex>
        <Fold quiet summary="In the round">
          <SolidView url={file('stl')} name={name} />
        </Fold>
        <Fold quiet summary="Cast it: silicone, resin and steps">
          <CastPart boxMm={solid.boxMm} volumeMm3={solid.volumeMm3} />
        </Fold>
      </Box>
    </Flex>
  );
}

function FromSizes({ restorationId, families }: Pick<Props, 'restorationId' | 'families'>) {
  const [name, setName] = useState(families[0]!.name);
  const family = families.find((one) => one.name === name)!;
  return (
    <>
      <label>
        <Text fontSize="15px">Kind of part</Text>
        <Select
          value={name}
          onChange={(event) => setName(event.target.value)}
          options={families.map((one) => ({ value: one.name, label: one.title }))}
        />
      </label>
      <Box mt="3">
        <AnswerForm<string>
          key={name}
          draftKey={`part-${restorationId}-${name}`}
          fields={[
            { name: 'name', label: 'Name', half: true },
            ...family.fields.map(({ name: field, label }) => ({
              ...{ name: field, label, kind: 'number' as const, unit: 'mm', fixedUnit: true, third: true },
            })),
          ]}
          initial={{ name: '', ...family.example }}
          submit="Draw it"
          done="Part drawn."
          send={async ({ name: called, once, ...sizes }) => {
            const answered = await keepPart({ restorationId, name: called, family: name, sizes, once });
            if (answered.ok) return answered;
            // Its fields stand in the form by their own names.
            return {
              ok: false,
              errors: answered.errors.map((error) => ({ ...error, field: error.field.replace(/^sizes\./, '') })),
            };
          }}
        />
      </Box>
    </>
  );
}
