import type { FoldModel, Point3 } from '@druckerei/core';
import {
  AmbientLight,
  Box3,
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Float32BufferAttribute,
  Group,
  LineBasicMaterial,
  LineLoop,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Scene,
  ShapeUtils,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three';
import { OrbitControls } from 'three/addons/controls/OrbitControls.js';

export type Look = 'aslant' | 'front' | 'above';
/** Where one stands to look, from the middle of the piece. */
const FROM: Readonly<Record<Look, readonly [number, number, number]>> = {
  aslant: [0.9, -0.8, 1.5],
  front: [0, 0, 1],
  above: [0, 1.4, 0.35],
};

/** A colour of the theme, as the page shows it. */
const themed = (element: HTMLElement, name: string, otherwise: string): Color =>
  new Color(getComputedStyle(element).getPropertyValue(name).trim() || otherwise);

/** The stage a folded blank stands on. It is drawn when something changed, not all the time. */
export class FoldStage {
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(35, 1, 1, 20_000);
  private readonly piece = new Group();
  private readonly controls: OrbitControls;
  private readonly watch: ResizeObserver;
  private span = 0;

  private constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly renderer: WebGLRenderer,
  ) {
    const light = new DirectionalLight(0xffffff, 2.2);
    light.position.set(0.4, -0.5, 1);
    this.camera.add(light);
    this.scene.add(new AmbientLight(0xffffff, 1.5), this.camera, this.piece);
    this.controls = new OrbitControls(this.camera, canvas);
    this.controls.addEventListener('change', this.draw);
    this.watch = new ResizeObserver(() => {
      this.fit();
      this.draw();
    });
    this.watch.observe(canvas);
    this.fit();
  }

  /** Null: the browser draws nothing in space. */
  static on(canvas: HTMLCanvasElement): FoldStage | null {
    const context = canvas.getContext('webgl2', { alpha: true, antialias: true });
    return context && new FoldStage(canvas, new WebGLRenderer({ canvas, context }));
  }

  /** The faces where they stand; those that do not meet are marked. */
  show(model: FoldModel, folded: readonly (readonly Point3[])[], marked: ReadonlySet<number>): void {
    this.clear();
    const [board, wrong, edge] = [
      themed(this.canvas, '--river', '#BFD9D3'),
      themed(this.canvas, '--loss', '#D9A48F'),
      themed(this.canvas, '--ink', '#1F1E1B'),
    ];
    model.faces.forEach(({ outline }, i) => {
      const at = folded[i] ?? [];
      const flat = outline.map(([x, y]) => new Vector2(x, y));
      const surface = new BufferGeometry();
      surface.setAttribute('position', new Float32BufferAttribute(at.flat(), 3));
      surface.setIndex(ShapeUtils.triangulateShape(flat, []).flat());
      surface.computeVertexNormals();
      this.piece.add(
        new Mesh(
          surface,
          new MeshLambertMaterial({
            color: marked.has(i) ? wrong : board,
            side: DoubleSide,
            polygonOffset: true,
            polygonOffsetFactor: 1,
            polygonOffsetUnits: 1,
          }),
        ),
        new LineLoop(
          new BufferGeometry().setFromPoints(at.map(([x, y, z]) => new Vector3(x, y, z))),
          new LineBasicMaterial({ color: edge }),
        ),
      );
    });
    const first = this.span === 0;
    const box = new Box3().setFromObject(this.piece);
    this.span = box.getSize(new Vector3()).length();
    box.getCenter(this.controls.target);
    if (first) this.lookFrom('aslant');
    this.controls.update();
    this.draw();
  }

  lookFrom(look: Look): void {
    this.camera.position.copy(this.controls.target).addScaledVector(new Vector3(...FROM[look]).normalize(), Math.max(this.span, 1) * 1.9);
    this.controls.update();
    this.draw();
  }

  end(): void {
    this.watch.disconnect();
    this.controls.dispose();
    this.clear();
    this.renderer.dispose();
  }

  private readonly draw = (): void => {
    this.renderer.render(this.scene, this.camera);
  };

  private fit(): void {
    const { clientWidth: w, clientHeight: h } = this.canvas;
    this.renderer.setPixelRatio(Math.min(globalThis.devicePixelRatio, 2));
    this.renderer.setSize(w, h, false);
    this.camera.aspect = h > 0 ? w / h : 1;
    this.camera.updateProjectionMatrix();
  }

  /** What was shown before is given back, its memory too. */
  private clear(): void {
    for (const child of [...this.piece.children] as (
      Mesh<BufferGeometry, MeshLambertMaterial> | LineLoop<BufferGeometry, LineBasicMaterial>
    )[]) {
      child.geometry.dispose();
      child.material.dispose();
    }
    this.piece.clear();
  }
}
