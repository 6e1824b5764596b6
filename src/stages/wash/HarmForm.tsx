'use client';

import { Box, Text } from '@chakra-ui/react';
import { Button } from '@/ui/Button';
import { useState } from 'react';
import { AnswerForm } from '@/ui/AnswerForm';
import { PhotoUpload } from '@/ui/PhotoUpload';
import { endAtSink, addHarmPhoto } from './actions';

/** Something was harmed: stop, photograph it, say what. The verdict for this surface gets stricter here. */
export function HarmForm({
  stepId,
  restorationId,
  onBack,
}: {
  stepId: string;
  restorationId: string;
  onBack: () => void;
}) {
  const [photoId, setPhotoId] = useState<string | null>(null);
  return (
    <Box borderLeftWidth="8px" borderColor="hazard" pl="3" mt="3">
      <Text fontWeight="650">Stop there. Rinse it, and photograph what happened.</Text>
      {photoId === null ? (
        <PhotoUpload
          restorationId={restorationId}
          stage="wash"
          pieceId={null}
          onAdded={([added]) => setPhotoId(added ?? null)}
        />
      ) : (
        <Text>Photographed.</Text>
      )}
      <AnswerForm
        draftKey={`harm:${stepId}`}
        fields={[
          { name: 'words', label: 'What it harmed', hint: 'Dulled the gloss, took the print, lifted the paint' },
        ]}
        initial={{ words: '' }}
        submit="It harmed this"
        done="Kept. From now on this workshop is stricter with it."
        send={async ({ words }) => {
          const answer = await endAtSink({ stepId, outcome: 'harmed', words });
          if (answer.ok && photoId !== null) return addHarmPhoto({ stepId, photoId });
          return answer;
        }}
      />
      <Button look="bare" onClick={onBack}>
        It was nothing
      </Button>
    </Box>
  );
}
