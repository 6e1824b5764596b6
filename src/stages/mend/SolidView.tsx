'use client';

import { Box, Text } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import type { BufferGeometry } from 'three';
import {
  AmbientLight,
  Box3,
  Color,
  DirectionalLight,
  EdgesGeometry,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Raycaster,
  Scene,
  SphereGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';

const TURN: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
/** One press of a key turns by so much. */
const STEP_RAD = Math.PI / 12;
/** Edges between faces that meet at more than this are drawn, degrees. */
const EDGE_DEG = 25;
/** A tap is no drag as long as it moves less, px. */
const TAP_PX = 5;

/** Everything that is drawn, and what a tap on it finds. */
function stage(place: HTMLDivElement, geometry: BufferGeometry, onTapped: (corner: Vector3) => void) {
  const renderer = new WebGLRenderer({ antialias: true, alpha: true });
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  place.append(renderer.domElement);
  const scene = new Scene();
  const box = new Box3().setFromBufferAttribute(geometry.getAttribute('position') as never);
  const middle = box.getCenter(new Vector3());
  const long = box.getSize(new Vector3()).length();
  const mesh = new Mesh(geometry, new MeshStandardMaterial({ color: new Color('#d9cdae'), roughness: 0.75 }));
  const edges = new LineSegments(
    new EdgesGeometry(geometry, EDGE_DEG),
    new LineBasicMaterial({ color: new Color('#22282b') }),
  );
  scene.add(mesh, edges, new AmbientLight('#ffffff', 1.4));
  for (const [x, y, z, strength] of [
    [1, -1.5, 2, 2.2],
    [-2, 1, 0.6, 0.7],
  ] as const) {
    const lamp = new DirectionalLight('#ffffff', strength);
    lamp.position.set(x, y, z);
    scene.add(lamp);
  }
  const camera = new PerspectiveCamera(32, 4 / 3, long / 50, long * 20);
  camera.up.set(0, 0, 1);
  camera.position.set(middle.x + 0.65 * long, middle.y - 1.05 * long, middle.z + 0.8 * long);
  const controls = new OrbitControls(camera, renderer.domElement);
  controls.target.copy(middle);
  const draw = () => renderer.render(scene, camera);
  controls.addEventListener('change', draw);
  const fit = () => {
    const width = place.clientWidth;
    renderer.setSize(width, (3 * width) / 4);
    draw();
  };
  const watch = new ResizeObserver(fit);
  watch.observe(place);
  controls.update();
  fit();

  let down: readonly [number, number] = [0, 0];
  renderer.domElement.addEventListener('pointerdown', ({ clientX, clientY }) => (down = [clientX, clientY]));
  renderer.domElement.addEventListener('pointerup', ({ clientX, clientY }) => {
    if (Math.hypot(clientX - down[0], clientY - down[1]) > TAP_PX) return;
    const { left, top, width, height } = renderer.domElement.getBoundingClientRect();
    const ray = new Raycaster();
    ray.setFromCamera(new Vector2((2 * (clientX - left)) / width - 1, 1 - (2 * (clientY - top)) / height), camera);
    const [hit] = ray.intersectObject(mesh);
    if (!hit?.face) return;
    const positions = geometry.getAttribute('position');
    const corners = [hit.face.a, hit.face.b, hit.face.c].map((k) => new Vector3().fromBufferAttribute(positions, k));
    // The corner of the face that lies nearest to the tap: a finger hits no corner by itself.
    const corner = corners.reduce((best, one) => (one.distanceTo(hit.point) < best.distanceTo(hit.point) ? one : best));
    const spot = new Mesh(new SphereGeometry(long / 90), new MeshStandardMaterial({ color: new Color('#0b5c61') }));
    spot.position.copy(corner);
    scene.add(spot);
    draw();
    onTapped(corner);
  });
  return {
    turn: ([across, upwards]: readonly [number, number]) => {
      const way = camera.position.clone().sub(middle);
      way.applyAxisAngle(new Vector3(0, 0, 1), across * STEP_RAD);
      way.applyAxisAngle(new Vector3(-way.y, way.x, 0).normalize(), upwards * STEP_RAD);
      camera.position.copy(middle).add(way);
      controls.update();
    },
    close: () => {
      watch.disconnect();
      controls.dispose();
      renderer.dispose();
      renderer.domElement.remove();
    },
  };
}

/** A part in the round: turned with a finger or the arrow keys, its corners measured by tapping two of them. */
export function SolidView({ url, name }: { url: string; name: string }) {
  const place = useRef<HTMLDivElement>(null);
  const shown = useRef<ReturnType<typeof stage> | null>(null);
  const [wrong, setWrong] = useState('');
  const [tapped, setTapped] = useState<readonly Vector3[]>([]);
  useEffect(() => {
    let gone = false;
    fetch(url)
      .then((response) => {
        if (!response.ok) throw new Error('The part did not load. Open this again.');
        return response.arrayBuffer();
      })
      .then((stl) => {
        if (gone || !place.current) return;
        const geometry = new STLLoader().parse(stl);
        shown.current = stage(place.current, geometry, (corner) => setTapped((is) => [...is.slice(-1), corner]));
      })
      .catch((failure: Error) =>
        setWrong(
          /WebGL/i.test(failure.message)
            ? 'This browser draws nothing in the round. The figures beside the drawing say how large the part is.'
            : failure.message,
        ),
      );
    return () => {
      gone = true;
      shown.current?.close();
      shown.current = null;
    };
  }, [url]);
  const [from, to] = tapped;
  return (
    <Box>
      <div
        ref={place}
        role="application"
        tabIndex={0}
        aria-label={`${name} in the round: arrow keys turn it`}
        style={{ maxWidth: '560px', touchAction: 'none' }}
        onKeyDown={(event) => {
          const by = TURN[event.key];
          if (!by) return;
          event.preventDefault();
          shown.current?.turn(by);
        }}
      />
      <Text color={wrong ? undefined : 'soft'} aria-live="polite">
        {wrong ||
          (from && to
            ? `From corner to corner ${from.distanceTo(to).toFixed(2)} mm: ${(['x', 'y', 'z'] as const)
                .map(
                  (axis) =>
                    `${Math.abs(from[axis] - to[axis]).toFixed(2)} ${{ x: 'across', y: 'deep', z: 'high' }[axis]}`,
                )
                .join(', ')}.`
            : 'Turn it with a finger or the arrow keys; tap two corners to measure between them.')}
      </Text>
    </Box>
  );
}
