import { Refusal } from '@/core/refusal';
import type { Photo, Piece } from '@/data/rows';
import { needRow } from '@/data/table';

/** A photograph of this restoration. @throws Refusal for one of another */
export async function ownPhoto(restorationId: string, photoId: string): Promise<Photo> {
  const photo = await needRow('photos', photoId);
  if (photo.restorationId !== restorationId)
    throw new Refusal('photoId', 'This photograph belongs to another restoration. Choose one of this machine.');
  return photo;
}

/** A piece of this restoration. @throws Refusal for one of another */
export async function ownPiece(restorationId: string, pieceId: string): Promise<Piece> {
  const piece = await needRow('pieces', pieceId);
  if (piece.restorationId !== restorationId)
    throw new Refusal('pieceId', 'This piece belongs to another restoration. Choose one of this machine.');
  return piece;
}
