import { bladeStates } from '../bladeStates';

/** A colour as the shader writes it. */
function shade(hex: string): string {
  const parts = [1, 3, 5].map((at) => (parseInt(hex.slice(at, at + 2), 16) / 255).toFixed(3));
  return `vec3(${parts.join(', ')})`;
}

const [untouched, line, part, through] = bladeStates.map(({ tone }) => shade(tone));

export const VERTEX = `#version 300 es
in vec2 corner;
out vec2 screen;
void main() {
  screen = corner * 0.5 + 0.5;
  gl_Position = vec4(corner, 0.0, 1.0);
}`;

/** Lambert's law under a lamp near the sheet, a little sheen for foil, hollows a little darker, and the grain of the paper. */
export const FRAGMENT = `#version 300 es
precision highp float;
in vec2 screen;
out vec4 colour;
uniform sampler2D shape[2];
uniform sampler2D paint[2];
uniform sampler2D scale;
uniform sampler2D fibres;  // grain of paper, repeating
uniform vec4 grid[2];      // first cell down and right, spacing, mirrored
uniform vec2 cells[2];     // columns, rows
uniform vec4 view;         // left, top, mm across, mm down
uniform vec3 lamp;         // right, down, up in mm
uniform vec3 paper[2];
uniform vec3 ink;
uniform float sheen;
uniform float wipe;        // share of the width from which the second sheet shows; over 1 for one sheet
uniform float mapped;      // 0 light, 1 an even scale, 2 the states of a blade
uniform float strength;
uniform float painted;     // 0 where neither map nor ink nor cut is to be shown

void main() {
  vec2 place = vec2(view.x + screen.x * view.z, view.y + (1.0 - screen.y) * view.w);
  bool second = screen.x > wipe;
  vec4 g = second ? grid[1] : grid[0];
  vec2 n = second ? cells[1] : cells[0];
  float right = g.w > 0.5 ? -place.x : place.x;
  vec2 uv = vec2(((right - g.y) / g.z + 0.5) / n.x, ((place.y - g.x) / g.z + 0.5) / n.y);
  vec4 s;
  vec2 p = vec2(0.0);
  if (second) s = texture(shape[1], uv); else s = texture(shape[0], uv);
  if (painted > 0.5) { if (second) p = texture(paint[1], uv).rg; else p = texture(paint[0], uv).rg; }
  vec3 stock = second ? paper[1] : paper[0];
  if (s.w < 0.5 || uv.x < 0.0 || uv.y < 0.0 || uv.x > 1.0 || uv.y > 1.0) { colour = vec4(0.0); return; }
  float across = g.w > 0.5 ? -s.y : s.y;
  float grain = texture(fibres, place / 18.0).r - 0.5;
  vec3 normal = normalize(vec3(-across * strength - grain * 0.035, -s.x * strength + grain * 0.03, 1.0));
  vec3 to = normalize(vec3(lamp.xy - place, lamp.z));
  float flat_ = max(to.z, 0.15);
  float light = max(dot(normal, to), 0.0) / flat_;
  float shade = 0.34 + 0.66 * min(light, 1.55) - clamp(s.z * 2.2, -0.10, 0.22);
  float gap = mapped < 0.5 ? smoothstep(2.2, 3.6, p.r) : 0.0;   // where the blade went through
  vec3 base = mix(stock, ink, p.g * (1.0 - step(0.5, mapped))) * (1.0 - 0.62 * gap);
  vec3 lit = base * (shade + grain * 0.035);
  if (sheen > 0.0) {
    vec3 glance = normalize(to + vec3(0.0, 0.0, 1.0));
    lit += sheen * pow(max(dot(normal, glance), 0.0), 40.0) * 0.5;
  }
  if (mapped > 1.5) {
    ivec2 cell = ivec2(uv * n);
    float state = floor((second ? texelFetch(paint[1], cell, 0) : texelFetch(paint[0], cell, 0)).r + 0.5);
    vec3 mark = state < 1.5 ? ${untouched} : state < 2.5 ? ${line} : state < 3.5 ? ${part} : ${through};
    lit = mix(mix(lit, stock, 0.35), mark, state > 0.5 ? 0.95 : 0.0);
  } else if (mapped > 0.5) {
    vec3 tone = texture(scale, vec2(clamp(p.r, 0.0, 1.0), 0.5)).rgb;
    lit = tone * (0.80 + 0.20 * min(light, 1.4));
  }
  colour = vec4(clamp(lit, 0.0, 1.0), 1.0);
}`;
