import {
  ACESFilmicToneMapping,
  Box3,
  BufferAttribute,
  BufferGeometry,
  CatmullRomCurve3,
  Color,
  ConeGeometry,
  DirectionalLight,
  Group,
  HemisphereLight,
  MathUtils,
  Mesh,
  MeshStandardMaterial,
  Quaternion,
  PerspectiveCamera,
  PMREMGenerator,
  Scene,
  Sphere,
  Spherical,
  TorusGeometry,
  TubeGeometry,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import { RoomEnvironment } from 'three/examples/jsm/environments/RoomEnvironment.js';
import { token } from '../../parts/theme.ts';
import type { SolidModel } from '../../workers/judge.worker.ts';

/** Looks of metals: colour and how rough they scatter. */
const ROUGHNESS: Readonly<Record<string, number>> = {
  lead: 0.5,
  'lead-antimony': 0.42,
  'bismuth-tin': 0.3,
  bismuth: 0.35,
  tin: 0.25,
  zinc: 0.4,
  tungsten: 0.32,
};

/** The 3D view on its canvas. */
export interface SolidScene {
  readonly show: (model: SolidModel, metal: string) => void;
  readonly turn: (around: number, over: number) => void;
  readonly zoom: (factor: number) => void;
  readonly reset: () => void;
  readonly resize: (width: number, height: number) => void;
  readonly dispose: () => void;
}

/**
 * A turnable picture of a head on a canvas. Throws where there is no WebGL. Draws only when something
 * changes.
 */
export function solidScene(canvas: HTMLCanvasElement): SolidScene {
  const renderer = new WebGLRenderer({ canvas, antialias: true, preserveDrawingBuffer: true });
  renderer.toneMapping = ACESFilmicToneMapping;
  const scene = new Scene();
  scene.background = new Color(token('--solid-sheet'));
  const maker = new PMREMGenerator(renderer);
  const surroundings = maker.fromScene(new RoomEnvironment(), 0.04);
  scene.environment = surroundings.texture;
  const sun = new DirectionalLight(token('--solid-light'), 1.6);
  sun.position.set(40, 80, 60);
  scene.add(sun, new HemisphereLight(token('--solid-light'), token('--solid-ground'), 0.5));
  const camera = new PerspectiveCamera(32, 1, 1, 2000);
  const controls = new OrbitControls(camera, canvas);
  controls.enablePan = false;
  const group = new Group();
  // Our z is up towards the hook point; the library's is towards the eye.
  group.rotation.x = -Math.PI / 2;
  scene.add(group);
  // Of the sphere about metal, hook and guard, mm.
  let extent = 40;
  let asked = 0;
  const draw = () => {
    if (asked) return;
    asked = requestAnimationFrame(() => {
      asked = 0;
      renderer.render(scene, camera);
    });
  };
  controls.addEventListener('change', draw);

  const clear = () => {
    for (const child of [...group.children]) {
      group.remove(child);
      if (child instanceof Mesh) {
        (child.geometry as BufferGeometry).dispose();
        (child.material as MeshStandardMaterial).dispose();
      }
    }
  };
  const reset = () => {
    // Far enough that the sphere is within the narrower way of the picture: nothing leaves it, however the
    // head is turned.
    const upright = MathUtils.degToRad(camera.fov / 2);
    const half = Math.min(upright, Math.atan(Math.tan(upright) * camera.aspect));
    const away = extent / Math.sin(half);
    camera.position
      .copy(new Vector3().setFromSpherical(new Spherical(away, Math.PI * 0.38, Math.PI * 0.2)))
      .add(controls.target);
    controls.update();
    draw();
  };
  let shown = false;
  return {
    show: ({ positions, triangles, wires, rings }, metal) => {
      clear();
      group.add(...meshesOf({ positions, triangles, wires, rings }, metal));
      if (!shown) {
        // All of it is on the picture at first: metal, hook and guard.
        const all = new Box3().setFromBufferAttribute(new BufferAttribute(positions, 3));
        for (const { path } of wires) for (const point of path) all.expandByPoint(new Vector3(...point));
        const sphere = all.getBoundingSphere(new Sphere());
        shown = true;
        extent = Math.max(6, sphere.radius);
        const { x, y, z } = sphere.center;
        controls.target.set(x, z, -y);
        reset();
      }
      draw();
    },
    turn: (around, over) => {
      const offset = new Spherical().setFromVector3(camera.position.clone().sub(controls.target));
      offset.theta += around;
      offset.phi = Math.min(Math.PI - 0.05, Math.max(0.05, offset.phi + over));
      camera.position.setFromSpherical(offset).add(controls.target);
      controls.update();
      draw();
    },
    zoom: (factor) => {
      camera.position.sub(controls.target).multiplyScalar(factor).add(controls.target);
      controls.update();
      draw();
    },
    reset,
    resize: (width, height) => {
      renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
      renderer.setSize(width, height, false);
      camera.aspect = width / Math.max(1, height);
      camera.updateProjectionMatrix();
      draw();
    },
    dispose: () => {
      cancelAnimationFrame(asked);
      clear();
      controls.dispose();
      surroundings.dispose();
      maker.dispose();
      renderer.dispose();
    },
  };
}

/** The meshes of a head: its metal, wires, hook point and rings, in their looks. */
function meshesOf({ positions, triangles, wires, rings }: SolidModel, metal: string): Mesh[] {
  const meshes: Mesh[] = [];
  const colour = token(`--solid-${metal}`) || token('--solid-other');
  const roughness = ROUGHNESS[metal] ?? 0.4;
  const body = new BufferGeometry();
  body.setAttribute('position', new BufferAttribute(positions, 3));
  body.setIndex(new BufferAttribute(triangles, 1));
  body.computeVertexNormals();
  const sharp = creased(body);
  body.dispose();
  meshes.push(new Mesh(sharp, new MeshStandardMaterial({ color: colour, metalness: 0.85, roughness })));
  const steel = () =>
    new MeshStandardMaterial({ color: token('--solid-steel'), metalness: 0.9, roughness: 0.3 });
  const fibre = () =>
    new MeshStandardMaterial({ color: token('--solid-fibre'), metalness: 0, roughness: 0.7 });
  for (const { path, diameter, of } of wires) {
    if (path.length < 2) continue;
    const curve = new CatmullRomCurve3(
      path.map(([x, y, z]) => new Vector3(x, y, z)),
      false,
      'centripetal',
    );
    meshes.push(
      new Mesh(
        new TubeGeometry(curve, Math.min(400, path.length * 3), diameter / 2, 10),
        of === 'guard' ? fibre() : steel(),
      ),
    );
  }
  // The hook's point: a cone on the end of its wire.
  const hook = wires.find(({ of }) => of === 'hook');
  const [before, tip] = [hook?.path.at(-2), hook?.path.at(-1)];
  if (hook && before && tip) {
    const along = new Vector3(...tip).sub(new Vector3(...before)).normalize();
    const length = hook.diameter * 2.2;
    const cone = new Mesh(new ConeGeometry(hook.diameter / 2, length, 12), steel());
    cone.position.copy(new Vector3(...tip).addScaledVector(along, length / 2));
    cone.setRotationFromQuaternion(new Quaternion().setFromUnitVectors(new Vector3(0, 1, 0), along));
    meshes.push(cone);
  }
  for (const { centre, radius, wire, axis } of rings) {
    const ring = new Mesh(new TorusGeometry(radius, wire / 2, 10, 36), steel());
    ring.position.set(...centre);
    ring.setRotationFromQuaternion(
      new Quaternion().setFromUnitVectors(new Vector3(0, 0, 1), new Vector3(...axis)),
    );
    meshes.push(ring);
  }
  return meshes;
}

/** Cosine of the angle between facets above which an edge is rounded, not sharp. */
const SMOOTH = Math.cos((32 * Math.PI) / 180);

/**
 * Gives every corner the mean normal of those facets about it that lie nearly alike, so that round parts are
 * smooth and cut edges sharp.
 */
function creased(indexed: BufferGeometry): BufferGeometry {
  const plain = indexed.toNonIndexed();
  const index = indexed.index;
  const positions = plain.getAttribute('position');
  if (!index) return plain;
  const facets = positions.count / 3;
  const normals = new Float32Array(facets * 3);
  const [a, b, c] = [new Vector3(), new Vector3(), new Vector3()];
  const around = new Map<number, number[]>();
  for (let i = 0; i < facets; i++) {
    a.fromBufferAttribute(positions, 3 * i);
    b.fromBufferAttribute(positions, 3 * i + 1).sub(a);
    c.fromBufferAttribute(positions, 3 * i + 2).sub(a);
    // Not made a unit yet: larger facets count for more.
    b.cross(c).toArray(normals, 3 * i);
    for (let k = 0; k < 3; k++) {
      const corner = index.getX(3 * i + k);
      const list = around.get(corner);
      if (list) list.push(i);
      else around.set(corner, [i]);
    }
  }
  const out = new Float32Array(facets * 9);
  for (let i = 0; i < facets; i++) {
    a.fromArray(normals, 3 * i);
    const own = a.length() || 1;
    for (let k = 0; k < 3; k++) {
      b.set(0, 0, 0);
      for (const other of around.get(index.getX(3 * i + k)) ?? []) {
        c.fromArray(normals, 3 * other);
        if (a.dot(c) >= SMOOTH * own * c.length()) b.add(c);
      }
      b.normalize().toArray(out, 9 * i + 3 * k);
    }
  }
  plain.setAttribute('normal', new BufferAttribute(out, 3));
  return plain;
}
