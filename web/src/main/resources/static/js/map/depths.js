// Depths of a lake as they are drawn: washes with a soft shade, a band of depths lit up, lines of equal depth with their labels.
import { ink, rgb } from './ink.js';

/** Bottom that the water has fallen from; land is one less. */
const DRY = -32767;
const CM = 100;
/** How much deeper colours grow by a share of the greatest depth: shallow water, where most fishing is, has more of them. */
const DEEPENING = 0.65;
/** The light comes from the north-west, as maps have it. */
const LIGHT = [-0.5, -0.5, 0.7071];
const EXAGGERATION = 6;
const SHADE = 0.34;
const STEPS = { ft: [1, 2, 5, 10, 20, 50, 100], m: [0.5, 1, 2, 5, 10, 20, 50] };
const LINES_AT_ONCE = 7;
/** Squares of the grid that are looked at for one drawing, at most. */
const MOST_SQUARES = 160000;
/** A label a line in so many pixels each way. */
const LABEL_EVERY = 190;

export class Depths {
  /**
   * @param sheet `{columns, rows, west, north, cell, cells}`, cells in cm by rows from the north-west, below 0 where guessed, −32768 on land
   * @param unit `{code, metres}`
   */
  constructor(sheet, unit) {
    Object.assign(this, sheet);
    this.unit = unit;
    this.deepest = 0;
    for (const cm of this.cells) if (isWater(cm)) this.deepest = Math.max(this.deepest, depthOf(cm));
  }

  /** Metres at a place; null on land and beyond the edge. */
  at(lat, lon) {
    const column = Math.floor((lon - this.west) / this.cell);
    const row = Math.floor((this.north - lat) / this.cell);
    if (column < 0 || row < 0 || column >= this.columns || row >= this.rows) return null;
    const cm = this.cells[row * this.columns + column];
    return !isWater(cm) ? null : { metres: depthOf(cm), guessed: cm < 0 };
  }

  /** A pixel for each cell. @param look `{shade, band: [from, to] in m or null}` */
  picture(look) {
    const key = `${ink('paper')} ${look.shade} ${look.band}`;
    if (this.drawn?.key === key) return this.drawn.picture;
    const picture = this.drawn?.picture ?? new OffscreenCanvas(this.columns, this.rows);
    const to = picture.getContext('2d');
    const image = to.createImageData(this.columns, this.rows);
    this.paint(image.data, look);
    to.putImageData(image, 0, 0);
    this.drawn = { key, picture };
    return picture;
  }

  paint(pixels, { shade, band }) {
    const { cells } = this;
    const [pale, deep, lit, paper, land] = ['shallow', 'deep', 'gorse', 'sheet', 'land'].map((name) => rgb(ink(name)));
    for (let i = 0; i < cells.length; i += 1) {
      const cm = cells[i];
      if (cm === DRY) pixels.set([...land, 255], 4 * i);
      if (!isWater(cm)) continue;
      const metres = depthOf(cm);
      const share = (metres / (this.deepest || 1)) ** DEEPENING;
      const light = shade ? 1 + SHADE * this.light(i) : 1;
      // What nobody measured is paler, and dotted.
      const guessed = cm < 0 ? this.doubt(i) : 0;
      const inBand = band && metres >= band[0] && metres <= band[1];
      for (let c = 0; c < 3; c += 1) {
        let colour = (pale[c] + (deep[c] - pale[c]) * share) * light;
        colour += guessed * (paper[c] - colour);
        if (band) colour += inBand ? 0.6 * (lit[c] - colour) : 0.45 * (paper[c] - colour);
        pixels[4 * i + c] = colour;
      }
      pixels[4 * i + 3] = 255;
    }
  }

  /** How much paler a guessed cell is: dotted, so that color alone need not show it. */
  doubt(i) {
    return ((i % this.columns) + Math.floor(i / this.columns)) % 4 === 0 ? 0.7 : 0.35;
  }

  /** How much of the light a cell's bottom takes, −1 to 1, 0 where it is level. */
  light(i) {
    const { cells, columns } = this;
    const here = depthOf(cells[i]);
    const depth = (at) => (isWater(cells[at]) ? depthOf(cells[at]) : here);
    const metres = this.cell * 111195;
    const dx = ((depth(i + 1) - depth(i - 1)) / (2 * metres)) * EXAGGERATION;
    const dy = ((depth(i + columns) - depth(i - columns)) / (2 * metres)) * EXAGGERATION;
    const length = Math.hypot(dx, dy, 1);
    return Math.max(-1, Math.min(1, ((dx * LIGHT[0] + dy * LIGHT[1] + LIGHT[2]) / length - LIGHT[2]) * 1.6));
  }

  /** Steps between lines, in the angler's unit, that are not too dense at a zoom. */
  step(zoom) {
    const most = LINES_AT_ONCE * Math.sqrt(zoom);
    const steps = STEPS[this.unit.code];
    return steps.find((one) => this.deepest / this.unit.metres / one <= most) ?? steps.at(-1);
  }

  /**
   * Draws the lines of a part of the lake by marching squares, deeper water on either side.
   *
   * @param project from column and row, whole numbers being middles of cells, to a place of the drawing
   * @param view `{west, east, north, south}` columns and rows that are seen
   * @return labels `{words, x, y, turn}`
   */
  lines(to, project, view, zoom) {
    const step = this.step(zoom) * this.unit.metres;
    const from = { c: Math.max(0, Math.floor(view.west)), r: Math.max(0, Math.floor(view.north)) };
    const end = {
      c: Math.min(this.columns - 1, Math.ceil(view.east)),
      r: Math.min(this.rows - 1, Math.ceil(view.south)),
    };
    const squares = Math.max(0, end.c - from.c) * Math.max(0, end.r - from.r);
    const stride = Math.max(1, Math.ceil(Math.sqrt(squares / MOST_SQUARES)));
    const labels = new Map();
    to.beginPath();
    for (let r = from.r; r + stride <= end.r; r += stride)
      for (let c = from.c; c + stride <= end.c; c += stride) this.square(to, project, c, r, stride, step, labels);
    to.stroke();
    return [...labels.values()];
  }

  square(to, project, c, r, stride, step, labels) {
    const { cells, columns } = this;
    const corners = [
      [c, r],
      [c + stride, r],
      [c + stride, r + stride],
      [c, r + stride],
    ];
    const depths = corners.map(([x, y]) => cells[y * columns + x]);
    if (!depths.every(isWater)) return;
    const metres = depths.map(depthOf);
    const low = Math.min(...metres);
    const high = Math.max(...metres);
    for (let n = Math.floor(low / step) + 1; n * step < high; n += 1) {
      const level = n * step;
      const crossings = [];
      for (let side = 0; side < 4; side += 1) {
        const [a, b] = [metres[side], metres[(side + 1) % 4]];
        if (a > level === b > level) continue;
        const share = (level - a) / (b - a);
        const [ax, ay] = corners[side];
        const [bx, by] = corners[(side + 1) % 4];
        crossings.push(project(ax + share * (bx - ax), ay + share * (by - ay)));
      }
      for (let i = 0; i + 1 < crossings.length; i += 2) {
        const [[x1, y1], [x2, y2]] = [crossings[i], crossings[i + 1]];
        to.moveTo(x1, y1);
        to.lineTo(x2, y2);
        const key = `${n} ${Math.floor(x1 / LABEL_EVERY)} ${Math.floor(y1 / LABEL_EVERY)}`;
        if (!labels.has(key)) labels.set(key, this.label(level, x1, y1, x2, y2));
      }
    }
  }

  label(level, x1, y1, x2, y2) {
    let turn = Math.atan2(y2 - y1, x2 - x1);
    if (Math.abs(turn) > Math.PI / 2) turn += Math.PI;
    return { words: String(Number((level / this.unit.metres).toFixed(1))), x: (x1 + x2) / 2, y: (y1 + y2) / 2, turn };
  }
}

function isWater(cm) {
  return cm > DRY;
}

function depthOf(cm) {
  return (cm < 0 ? -cm - 1 : cm) / CM;
}

/** Cells of a sheet from what the server sends, whole numbers of two bytes, the low one first. */
export function cellsOf(buffer) {
  const view = new DataView(buffer);
  const cells = new Int16Array(buffer.byteLength / 2);
  for (let i = 0; i < cells.length; i += 1) cells[i] = view.getInt16(2 * i, true);
  return cells;
}
