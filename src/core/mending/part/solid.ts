// One by one: as a whole the package names no exports that Node could import.
import solidFrom from '@jscad/modeling/src/geometries/geom3/create.js';
import polygonFrom from '@jscad/modeling/src/geometries/poly3/create.js';
import measureBoundingBox from '@jscad/modeling/src/measurements/measureBoundingBox.js';
import measureVolume from '@jscad/modeling/src/measurements/measureVolume.js';
import serializer from '@jscad/stl-serializer';
import { isWatertight, meshOf } from './mesh';
import type { Triangle } from './stack';

/** What is known of a part before it is made. */
export interface Solid {
  volumeMm3: number;
  massG: number;
  boxMm: [number, number, number];
  triangles: number;
  watertight: boolean;
}

const geometry = (triangles: readonly Triangle[]) =>
  solidFrom(triangles.map((corners) => polygonFrom(corners.map(([x, y, z]): [number, number, number] => [x, y, z]))));

/** The part as a binary STL, mm. */
function stlOf(triangles: readonly Triangle[]): Uint8Array {
  const blobs = serializer.serialize({ binary: true }, geometry(triangles)) as ArrayBuffer[];
  const all = new Uint8Array(blobs.reduce((sum, { byteLength }) => sum + byteLength, 0));
  let at = 0;
  for (const blob of blobs) {
    all.set(new Uint8Array(blob), at);
    at += blob.byteLength;
  }
  return all;
}

/** The triangles of a binary STL, corner by corner. */
export function trianglesOf(stl: Uint8Array): Triangle[] {
  const view = new DataView(stl.buffer, stl.byteOffset, stl.byteLength);
  const corner = (at: number) =>
    [view.getFloat32(at, true), view.getFloat32(at + 4, true), view.getFloat32(at + 8, true)] as const;
  return Array.from({ length: view.getUint32(80, true) }, (_, i): Triangle => {
    const at = 84 + 50 * i + 12;
    return [corner(at), corner(at + 12), corner(at + 24)];
  });
}

/** A part as it goes out, with what is known of it: measured on the very triangles that are written. */
export function solidOf(triangles: readonly Triangle[], densityGPerCm3: number): { solid: Solid; stl: Uint8Array } {
  const stl = stlOf(triangles);
  const written = trianglesOf(stl);
  const shape = geometry(written);
  const volumeMm3 = measureVolume(shape);
  const [low, high] = measureBoundingBox(shape);
  return {
    stl,
    solid: {
      volumeMm3,
      massG: (volumeMm3 / 1000) * densityGPerCm3,
      boxMm: [high[0] - low[0], high[1] - low[1], high[2] - low[2]],
      triangles: written.length,
      watertight: isWatertight(meshOf(written)),
    },
  };
}
