import { scaleColour } from '../nip/scale';
import { FRAGMENT, VERTEX } from './shaders';
import type { Surface } from './surface';
import { t } from '../../words/words';

export interface Scene {
  /** Left, top, width and height of what is seen, in mm. */
  view: [number, number, number, number];
  lamp: [number, number, number];
  papers: [string, string];
  ink: string;
  sheen: number;
  /** Share of the width from which the second sheet shows; 2 for one sheet only. */
  wipe: number;
  mapped: 0 | 1 | 2;
}

const STRENGTH = 1.7; // of slopes: a lamp close to the table shows more than one overhead
const SCALE_STEPS = 256;
const FIBRE_SIZE = 256;
const FIBRE_COUNT = 9000;

function rgb(hex: string): [number, number, number] {
  return [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255) as [number, number, number];
}

/** Draws one or two pressed sheets under a lamp; the computation stays on the graphics card while the lamp moves. */
export class SheetRenderer {
  private readonly gl: WebGL2RenderingContext;
  private readonly program: WebGLProgram;
  private readonly textures: WebGLTexture[];
  private readonly corners: WebGLBuffer;
  private readonly places = new Map<string, WebGLUniformLocation | null>();
  private readonly sheets: (Surface | undefined)[] = [undefined, undefined];

  constructor(canvas: HTMLCanvasElement) {
    const gl = canvas.getContext('webgl2', {
      alpha: true,
      premultipliedAlpha: true,
      preserveDrawingBuffer: true,
    });
    if (!gl) throw new Error(t("This browser can't draw the sheet: it has no WebGL 2."));
    this.gl = gl;
    this.program = this.link();
    this.textures = Array.from({ length: 6 }, () => gl.createTexture());
    this.corners = gl.createBuffer();
    gl.bindBuffer(gl.ARRAY_BUFFER, this.corners);
    gl.bufferData(gl.ARRAY_BUFFER, new Float32Array([-1, -1, 3, -1, -1, 3]), gl.STATIC_DRAW);
    const corner = gl.getAttribLocation(this.program, 'corner');
    gl.enableVertexAttribArray(corner);
    gl.vertexAttribPointer(corner, 2, gl.FLOAT, false, 0, 0);
    this.uploadScale();
    this.uploadFibres();
  }

  /** Replaces the first or second sheet. */
  upload(which: 0 | 1, sheet: Surface | undefined): void {
    this.sheets[which] = sheet;
    if (!sheet) return;
    const { gl } = this;
    this.fill(which, gl.RGBA16F, gl.RGBA, sheet.columns, sheet.rows, sheet.shape);
    this.fill(2 + which, gl.RG16F, gl.RG, sheet.columns, sheet.rows, sheet.paint);
  }

  draw(scene: Scene): void {
    const { gl } = this;
    const first = this.sheets[0];
    gl.viewport(0, 0, gl.drawingBufferWidth, gl.drawingBufferHeight);
    gl.clearColor(0, 0, 0, 0);
    gl.clear(gl.COLOR_BUFFER_BIT);
    if (!first) return;
    const second = this.sheets[1] ?? first;
    gl.useProgram(this.program);
    this.textures.forEach((texture, unit) => {
      gl.activeTexture(gl.TEXTURE0 + unit);
      gl.bindTexture(gl.TEXTURE_2D, texture);
    });
    const other = this.sheets[1] ? 1 : 0;
    gl.uniform1iv(this.place('shape'), [0, other]);
    gl.uniform1iv(this.place('paint'), [2, 2 + other]);
    gl.uniform1i(this.place('scale'), 4);
    gl.uniform1i(this.place('fibres'), 5);
    gl.uniform4fv(
      this.place('grid'),
      [first, second].flatMap((s) => [...s.panel.first_mm, s.panel.spacing_mm, s.mirrored ? 1 : 0]),
    );
    gl.uniform2fv(this.place('cells'), [first.columns, first.rows, second.columns, second.rows]);
    gl.uniform4fv(this.place('view'), scene.view);
    gl.uniform3fv(this.place('lamp'), scene.lamp);
    gl.uniform3fv(this.place('paper'), scene.papers.flatMap(rgb));
    gl.uniform3fv(this.place('ink'), rgb(scene.ink));
    gl.uniform1f(this.place('sheen'), scene.sheen);
    gl.uniform1f(this.place('wipe'), this.sheets[1] ? scene.wipe : 2);
    gl.uniform1f(this.place('mapped'), scene.mapped);
    gl.uniform1f(this.place('strength'), STRENGTH);
    gl.uniform1f(this.place('painted'), first.painted || second.painted ? 1 : 0);
    gl.drawArrays(gl.TRIANGLES, 0, 3);
  }

  /** Gives the graphics card its memory back. */
  close(): void {
    this.textures.forEach((texture) => this.gl.deleteTexture(texture));
    this.gl.deleteBuffer(this.corners);
    this.gl.deleteProgram(this.program);
  }

  private place(name: string): WebGLUniformLocation | null {
    if (!this.places.has(name)) this.places.set(name, this.gl.getUniformLocation(this.program, name));
    return this.places.get(name) ?? null;
  }

  private fill(
    unit: number,
    inside: number,
    format: number,
    width: number,
    height: number,
    data: Float32Array,
  ): void {
    const { gl } = this;
    gl.bindTexture(gl.TEXTURE_2D, this.textures[unit] ?? null);
    gl.texImage2D(gl.TEXTURE_2D, 0, inside, width, height, 0, format, gl.FLOAT, data);
    this.filter();
  }

  private filter(): void {
    const { gl } = this;
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MIN_FILTER, gl.LINEAR);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_MAG_FILTER, gl.LINEAR);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_S, gl.CLAMP_TO_EDGE);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_T, gl.CLAMP_TO_EDGE);
  }

  private uploadScale(): void {
    const { gl } = this;
    const steps = Array.from({ length: SCALE_STEPS }, (_, n) => [
      ...scaleColour(n / (SCALE_STEPS - 1)),
      255,
    ]).flat();
    gl.bindTexture(gl.TEXTURE_2D, this.textures[4] ?? null);
    gl.texImage2D(
      gl.TEXTURE_2D,
      0,
      gl.RGBA,
      SCALE_STEPS,
      1,
      0,
      gl.RGBA,
      gl.UNSIGNED_BYTE,
      new Uint8Array(steps),
    );
    this.filter();
    const empty = new Float32Array(4);
    for (const unit of [0, 1]) this.fill(unit, gl.RGBA16F, gl.RGBA, 1, 1, empty);
    for (const unit of [2, 3]) this.fill(unit, gl.RG16F, gl.RG, 1, 1, empty.subarray(0, 2));
  }

  /** Grain that repeats: short strokes of light and dark in all directions, as fibres lie in paper. */
  private uploadFibres(): void {
    const { gl } = this;
    const tones = new Float32Array(FIBRE_SIZE * FIBRE_SIZE).fill(0.5);
    let seed = 7;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    for (let n = 0; n < FIBRE_COUNT; n += 1) {
      const [turn, tone, length] = [random() * Math.PI, (random() - 0.5) * 0.5, 4 + random() * 14];
      let [x, y] = [random() * FIBRE_SIZE, random() * FIBRE_SIZE];
      for (let step = 0; step < length; step += 1) {
        x += Math.cos(turn);
        y += Math.sin(turn);
        const cell =
          ((Math.floor(y) + FIBRE_SIZE) % FIBRE_SIZE) * FIBRE_SIZE +
          ((Math.floor(x) + FIBRE_SIZE) % FIBRE_SIZE);
        tones[cell] = Math.min(Math.max((tones[cell] ?? 0.5) + tone * 0.5, 0), 1);
      }
    }
    const bytes = Uint8Array.from(tones, (tone) => tone * 255);
    gl.bindTexture(gl.TEXTURE_2D, this.textures[5] ?? null);
    gl.texImage2D(gl.TEXTURE_2D, 0, gl.R8, FIBRE_SIZE, FIBRE_SIZE, 0, gl.RED, gl.UNSIGNED_BYTE, bytes);
    this.filter();
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_S, gl.REPEAT);
    gl.texParameteri(gl.TEXTURE_2D, gl.TEXTURE_WRAP_T, gl.REPEAT);
  }

  private link(): WebGLProgram {
    const { gl } = this;
    const program = gl.createProgram();
    for (const [kind, source] of [
      [gl.VERTEX_SHADER, VERTEX],
      [gl.FRAGMENT_SHADER, FRAGMENT],
    ] as const) {
      const shader = gl.createShader(kind);
      if (!shader) throw new Error(t("The graphics card didn't give us a shader."));
      gl.shaderSource(shader, source);
      gl.compileShader(shader);
      gl.attachShader(program, shader);
      gl.deleteShader(shader); // kept as long as the program is
    }
    gl.linkProgram(program);
    if (!gl.getProgramParameter(program, gl.LINK_STATUS))
      throw new Error(gl.getProgramInfoLog(program) ?? t("The shader doesn't link."));
    return program;
  }
}
