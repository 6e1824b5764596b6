import type { Piece, Restoration } from '@/data/rows';
import { ScreenHead } from '@/ui/layout';
import { LinkButton, TextLink } from '@/ui/links';
import { Tag } from '@/ui/Tag';
import { Views } from '@/ui/Views';

interface Props {
  restoration: Pick<Restoration, 'id' | 'title'>;
  piece: Piece;
  view: 'measured' | 'known';
  measured: boolean;
}

/** Head of every view of a piece. */
export function PieceHead({ restoration: { id, title }, piece, view, measured }: Props) {
  const here = `/restorations/${id}/pieces/${piece.id}`;
  const { tag, name, plastic, finish, labels, metalInside } = piece;
  return (
    <>
      <ScreenHead
        lead={<TextLink href={`/restorations/${id}`}>{title}</TextLink>}
        title={
          <>
            <Tag large>{tag}</Tag> {name}
          </>
        }
        under={[plastic, finish, labels && `protect: ${labels}`, metalInside && `metal inside: ${metalInside}`]
          .filter(Boolean)
          .join(' · ')}
        action={
          <LinkButton href={`${here}/measure?stage=brighten`} look="go" bench>
            {measured ? 'Measure again' : 'Measure'}
          </LinkButton>
        }
      />
      <Views
        label="Views of this piece"
        views={[
          { href: here, title: 'Measured', here: view === 'measured' },
          { href: `${here}/known`, title: 'What is known of it', here: view === 'known' },
          ...(measured ? [{ href: `/beside?a=${piece.id}`, title: 'Beside another', here: false }] : []),
        ]}
      />
    </>
  );
}
