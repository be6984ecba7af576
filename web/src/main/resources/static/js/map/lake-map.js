// The map of a lake on a canvas, on every page and on the boat: depths, shores, water with rules of its own, cover, and what the page puts on it.
import { select, zoom, zoomIdentity } from '/assets/map-vendor.js';
import { Depths } from './depths.js';
import { freshInks, ink } from './ink.js';
import * as signs from './signs.js';

const CLOSEST = 60;
const STEP = 1.6;
const MOVE = 70;
/** A finger hits what is this near, px. */
const REACH = 30;
/** Signs nearer to each other than this are one with a number, px. */
const TOGETHER = 20;
const LABELS_FROM = 2;
/** Room around what is seen that is drawn too, as a share of it: the map can be pushed so far before it is drawn again. */
const AROUND = 0.3;
/** Signs of the wind on the banks are no nearer to each other, px. */
const BANKS_APART = 22;
const STILL_MILLIS = 90;
/** A picture that is drawn faster than this is drawn again each time, ms. */
const QUICK_MILLIS = 9;
const METRES_PER_DEGREE = 111195;
const SCALE_PX = 110;
/** Everything that can be switched off, with what is on at first. */
export const LAYERS = {
  shade: true,
  lines: true,
  zones: true,
  timber: true,
  grass: true,
  docks: true,
  spots: true,
  gone: true,
  waypoints: true,
  structure: true,
  runs: true,
  banks: true,
};

/** Degrees to a plane whose unit is a degree of latitude, north up. */
class Plane {
  constructor(rings) {
    let [south, north, west, east] = [90, -90, 180, -180];
    for (const ring of rings)
      for (let i = 0; i < ring.length; i += 2) {
        south = Math.min(south, ring[i]);
        north = Math.max(north, ring[i]);
        west = Math.min(west, ring[i + 1]);
        east = Math.max(east, ring[i + 1]);
      }
    this.lat = (north + south) / 2;
    this.lon = (west + east) / 2;
    this.across = Math.cos((this.lat * Math.PI) / 180);
    this.width = (east - west) * this.across || 0.01;
    this.height = north - south || 0.01;
  }

  point(lat, lon) {
    return [(lon - this.lon) * this.across, this.lat - lat];
  }

  place(x, y) {
    return { lat: this.lat - y, lon: this.lon + x / this.across };
  }
}

export class LakeMap {
  /**
   * @param told `{chosen(id, kind), place({lat, lon, depth}), pointer({lat, lon, depth}), dragged(id, kind, {lat, lon})}`, each where it is wanted
   * @param before the one that was shown before, whose part of the lake is shown again
   */
  constructor(canvas, told, before) {
    this.canvas = canvas;
    this.told = told;
    this.transform = zoomIdentity;
    this.layers = { ...LAYERS };
    this.behaviour = zoom()
      .scaleExtent([1, CLOSEST])
      .filter((event) => !event.button && !this.grabbed(event))
      .on('zoom', ({ transform }) => {
        this.transform = transform;
        this.drawSoon();
      });
    select(canvas).call(this.behaviour).on('dblclick.zoom', null);
    if (before) select(canvas).call(this.behaviour.transform, before.transform);
    canvas.addEventListener('click', (event) => this.tapped(event));
    canvas.addEventListener('pointermove', (event) => this.pointed(event));
    canvas.addEventListener('keydown', (event) => this.key(event));
    new ResizeObserver(() => this.redraw()).observe(canvas);
  }

  /** @param sheet `{lake: {water, slow, offLimits, covers}, depths, unit, places}`; places hold the map where there is no lake */
  take(sheet) {
    if (this.sheet === sheet) return;
    this.sheet = sheet;
    const { lake } = sheet;
    const rings = (lake?.water ?? []).flatMap(({ rings: all }) => all);
    this.plane = new Plane(rings.length > 0 ? rings : [sheet.places.flatMap(({ lat, lon }) => [lat, lon])]);
    this.water = this.path(lake?.water ?? []);
    this.slow = this.path((lake?.slow ?? []).flatMap(({ water }) => water));
    this.offLimits = this.path((lake?.offLimits ?? []).flatMap(({ water }) => water));
    this.covers = (lake?.covers ?? []).map(({ kind, water, lines }) => ({
      kind,
      path: this.path(water),
      lines: this.polylines(lines.filter((line) => line.length > 2)),
      pieces: lines.filter((line) => line.length === 2),
    }));
    this.depths = sheet.depths ? new Depths(sheet.depths, sheet.unit) : null;
    this.redraw();
  }

  /** @param shown `{places, waypoints, candidates, glyphs, ramps, routes, beads, way, boat, chosen, wind}`, each where there is any */
  show(shown) {
    this.shown = shown;
    this.drawSoon();
  }

  /** Lights up a band of depths, m; null: none. */
  light(band) {
    this.band = band;
    this.redraw();
  }

  toggle(layer, on) {
    this.layers[layer] = on;
    this.redraw();
  }

  closer(factor = STEP) {
    select(this.canvas).call(this.behaviour.scaleBy, factor);
  }

  back() {
    this.closer(1 / STEP);
  }

  all() {
    select(this.canvas).call(this.behaviour.transform, zoomIdentity);
  }

  push(x, y) {
    select(this.canvas).call(this.behaviour.translateBy, x / this.transform.k, y / this.transform.k);
  }

  /** Moves a place into the middle, at least so close. */
  centre({ lat, lon }, closeness = 1) {
    if (this.transform.k < closeness) this.closer(closeness / this.transform.k);
    const [x, y] = this.onScreen(lat, lon);
    const { clientWidth, clientHeight } = this.canvas;
    this.push(clientWidth / 2 - x, clientHeight / 2 - y);
  }

  /** Shows all of some places. */
  fitTo(places) {
    if (places.length === 0 || !this.plane) return;
    const points = places.map(({ lat, lon }) => this.plane.point(lat, lon));
    const [xs, ys] = [0, 1].map((axis) => points.map((point) => point[axis]));
    const { clientWidth: width, clientHeight: height } = this.canvas;
    const across = (Math.max(...xs) - Math.min(...xs)) * this.fit || 1;
    const down = (Math.max(...ys) - Math.min(...ys)) * this.fit || 1;
    const k = Math.max(1, Math.min(places.length > 1 ? 12 : 4, (0.72 * width) / across, (0.72 * height) / down));
    const [x, y] = [(Math.max(...xs) + Math.min(...xs)) / 2, (Math.max(...ys) + Math.min(...ys)) / 2];
    const shift = zoomIdentity
      .translate(width / 2, height / 2)
      .scale(k)
      .translate(-width / 2 - x * this.fit, -height / 2 - y * this.fit);
    select(this.canvas).call(this.behaviour.transform, shift);
  }

  polylines(parts) {
    const path = new Path2D();
    for (const part of parts) {
      for (let i = 0; i < part.length; i += 2) {
        const [x, y] = this.plane.point(part[i], part[i + 1]);
        if (i === 0) path.moveTo(x, y);
        else path.lineTo(x, y);
      }
    }
    return path;
  }

  path(bodies) {
    const path = new Path2D();
    for (const ring of bodies.flatMap(({ rings }) => rings)) {
      const one = this.polylines([ring]);
      one.closePath();
      path.addPath(one);
    }
    return path;
  }

  /** Pixels for a unit of the plane before it is moved closer. */
  get fit() {
    const { clientWidth, clientHeight } = this.canvas;
    return 0.94 * Math.min(clientWidth / this.plane.width, clientHeight / this.plane.height);
  }

  onScreen(lat, lon) {
    const [x, y] = this.plane.point(lat, lon);
    const { clientWidth, clientHeight } = this.canvas;
    return this.transform.apply([clientWidth / 2 + x * this.fit, clientHeight / 2 + y * this.fit]);
  }

  /** The place under a pixel, with its depth where it is known. */
  placeAt(x, y) {
    const [px, py] = this.transform.invert([x, y]);
    const { clientWidth, clientHeight } = this.canvas;
    const place = this.plane.place((px - clientWidth / 2) / this.fit, (py - clientHeight / 2) / this.fit);
    return { ...place, depth: this.depths?.at(place.lat, place.lon) ?? null };
  }

  /** Forgets the picture of the lake, and draws. */
  redraw() {
    this.base = null;
    this.drawSoon();
  }

  drawSoon() {
    if (this.frame || !this.sheet || !this.shown) return;
    this.frame = requestAnimationFrame(() => {
      this.frame = null;
      this.draw();
    });
  }

  draw() {
    const { canvas } = this;
    const ratio = window.devicePixelRatio || 1;
    const { clientWidth: width, clientHeight: height } = canvas;
    if (width === 0) return;
    freshInks();
    if (canvas.width !== Math.round(width * ratio) || canvas.height !== Math.round(height * ratio)) {
      canvas.width = Math.round(width * ratio);
      canvas.height = Math.round(height * ratio);
    }
    const to = canvas.getContext('2d');
    to.setTransform(ratio, 0, 0, ratio, 0, 0);
    to.fillStyle = ink('land');
    to.fillRect(0, 0, width, height);
    this.drawBase(to, width, height, ratio);
    this.drawMarks(to);
    this.drawScale(to, width, height);
  }

  /** The lake itself: a picture made before is pushed along while the map moves, and made again when it stands still. */
  drawBase(to, width, height, ratio) {
    const { k, x, y } = this.transform;
    const theme = ink('paper');
    const old = this.base;
    const isSame = old && old.theme === theme && old.k === k && old.x === x && old.y === y;
    if (!old || old.theme !== theme || (!isSame && old.millis < QUICK_MILLIS))
      this.base = this.made(width, height, ratio);
    else if (!isSame) {
      clearTimeout(this.still);
      this.still = setTimeout(() => this.redraw(), STILL_MILLIS);
    }
    const base = this.base;
    const scale = k / base.k;
    const left = x - base.x * scale - AROUND * width * scale;
    const top = y - base.y * scale - AROUND * height * scale;
    const room = (1 + 2 * AROUND) * scale;
    to.drawImage(base.picture, left, top, width * room, height * room);
  }

  made(width, height, ratio) {
    const began = performance.now();
    const { k, x, y } = this.transform;
    const picture = new OffscreenCanvas(
      Math.round(width * ratio * (1 + 2 * AROUND)),
      Math.round(height * ratio * (1 + 2 * AROUND)),
    );
    const to = picture.getContext('2d');
    to.scale(ratio, ratio);
    to.translate(AROUND * width, AROUND * height);
    to.save();
    const scale = k * this.fit;
    to.translate(x + (k * width) / 2, y + (k * height) / 2);
    to.scale(scale, scale);
    this.drawWater(to, scale);
    to.restore();
    if (this.depths && this.layers.lines) this.drawLines(to, width, height);
    return { picture, k, x, y, theme: ink('paper'), millis: performance.now() - began };
  }

  drawWater(to, scale) {
    to.save();
    to.clip(this.water, 'evenodd');
    to.fillStyle = ink('shallow');
    to.fill(this.water, 'evenodd');
    if (this.depths) {
      const { columns, rows, west, north, cell } = this.depths;
      const [x, y] = this.plane.point(north, west);
      to.imageSmoothingEnabled = true;
      to.drawImage(
        this.depths.picture({ shade: this.layers.shade, band: this.band }),
        x,
        y,
        columns * cell * this.plane.across,
        rows * cell,
      );
    }
    for (const cover of this.covers) if (this.layers[cover.kind]) this.drawCover(to, cover, scale);
    to.restore();
    to.lineWidth = 1.4 / scale;
    to.strokeStyle = ink('edge');
    to.stroke(this.water);
    if (this.layers.zones) {
      this.hatch(to, this.slow, ink('edge'), scale, 1);
      this.hatch(to, this.offLimits, ink('rust'), scale, -1);
    }
  }

  /** Timber as upright strokes, grass as tufts, docks as short planks: by their pattern, not by colour alone. */
  drawCover(to, { kind, path, lines, pieces }, scale) {
    to.strokeStyle = ink('ink');
    to.fillStyle = ink('ink');
    to.lineWidth = (kind === 'docks' ? 3.5 : 1.6) / scale;
    to.setLineDash(kind === 'docks' ? [5 / scale, 3 / scale] : []);
    to.stroke(lines);
    to.setLineDash([]);
    for (const [lat, lon] of pieces) {
      const [x, y] = this.plane.point(lat, lon);
      to.fillRect(x - 3 / scale, y - 3 / scale, 6 / scale, 6 / scale);
    }
    to.save();
    to.clip(path, 'evenodd');
    to.globalAlpha = 0.75;
    const gap = Math.max(15 / scale, (this.plane.width + this.plane.height) / 500);
    const tall = 0.36 * gap;
    to.beginPath();
    for (let row = 0, y = -this.plane.height / 2; y < this.plane.height / 2; y += gap, row += 1)
      for (let x = -this.plane.width / 2 + (row % 2) * (gap / 2); x < this.plane.width / 2; x += gap) {
        to.moveTo(x, y);
        to.lineTo(x, y - tall);
        if (kind === 'grass') {
          to.moveTo(x, y);
          to.lineTo(x - tall / 2, y - 0.8 * tall);
          to.moveTo(x, y);
          to.lineTo(x + tall / 2, y - 0.8 * tall);
        }
      }
    to.lineWidth = 1.2 / scale;
    to.stroke();
    to.restore();
  }

  /** Water with rules of its own: hatched, one way where it is slow, the other where it is off limits. */
  hatch(to, path, colour, scale, way) {
    to.save();
    to.clip(this.water, 'evenodd');
    to.clip(path, 'evenodd');
    to.strokeStyle = colour;
    to.lineWidth = 1 / scale;
    const { width, height } = this.plane;
    const reach = width + height;
    const gap = Math.max(10 / scale, reach / 400);
    to.beginPath();
    for (let at = -reach; at < reach; at += gap) {
      to.moveTo(at, (-way * reach) / 2);
      to.lineTo(at + reach, (way * reach) / 2);
    }
    to.stroke();
    to.restore();
  }

  drawLines(to, width, height) {
    const { west, north, cell } = this.depths;
    const corner = (x, y) => {
      const { lat, lon } = this.placeAt(x, y);
      return [(lon - west) / cell - 0.5, (north - lat) / cell - 0.5];
    };
    const [left, top] = corner(-AROUND * width, -AROUND * height);
    const [right, bottom] = corner((1 + AROUND) * width, (1 + AROUND) * height);
    const project = (c, r) => this.onScreen(north - (r + 0.5) * cell, west + (c + 0.5) * cell);
    const origin = project(0, 0);
    const [dx, dy] = [project(1, 0)[0] - origin[0], project(0, 1)[1] - origin[1]];
    const quick = (c, r) => [origin[0] + c * dx, origin[1] + r * dy];
    to.lineWidth = 0.9;
    to.strokeStyle = ink('isobath');
    const view = { west: left, east: right, north: top, south: bottom };
    const labels = this.depths.lines(to, quick, view, this.transform.k);
    this.drawDepthLabels(to, labels);
  }

  drawDepthLabels(to, labels) {
    const taken = [];
    to.font = `600 11px ${getComputedStyle(document.body).fontFamily}`;
    to.textBaseline = 'middle';
    to.textAlign = 'center';
    for (const { words, x, y, turn } of labels) {
      const half = to.measureText(words).width / 2 + 10;
      const box = [x - half, y - half, x + half, y + half];
      if (taken.some((other) => covers(box, other))) continue;
      taken.push(box);
      to.save();
      to.translate(x, y);
      to.rotate(turn);
      to.lineWidth = 3.5;
      to.strokeStyle = ink('shallow');
      to.strokeText(words, 0, 0);
      to.fillStyle = ink('ink');
      to.fillText(words, 0, 0);
      to.restore();
    }
    to.textAlign = 'left';
  }

  drawMarks(to) {
    const { layers, shown } = this;
    const { k } = this.transform;
    to.font = `600 13px ${getComputedStyle(document.body).fontFamily}`;
    to.textBaseline = 'middle';
    this.taken = [];
    this.hits = [];
    if (layers.banks && shown.banks) this.drawBanks(to, shown);
    if (layers.runs) for (const route of shown.routes ?? []) this.route(to, route);
    this.line(to, shown.way ?? [], ink('gorse'), [], 4);
    if (layers.structure) this.candidates(to);
    if (layers.waypoints) this.waypoints(to, k);
    for (const { lat, lon, letter } of shown.ramps ?? []) signs.ramp(to, this.onScreen(lat, lon), letter);
    if (layers.spots) this.spots(to, k);
    for (const one of shown.beads ?? []) this.bead(to, one);
    if (layers.runs) for (const { words, at } of shown.legs ?? []) this.label(to, words, this.onScreen(...at), 'loch');
    if (shown.boat) signs.boat(to, this.onScreen(Number(shown.boat.lat), Number(shown.boat.lon)));
    if (shown.wind) signs.wind(to, [34, 34], shown.wind);
  }

  /** Draws the wind on the shore: a wedge where it blows onto it, a ring where it is sheltered. */
  drawBanks(to, { banks, shore }) {
    let last = [-BANKS_APART, 0];
    for (let i = 0; i < banks.length; i += 1) {
      const at = this.onScreen(shore[2 * i], shore[2 * i + 1]);
      if (Math.hypot(at[0] - last[0], at[1] - last[1]) < BANKS_APART) continue;
      last = at;
      if (banks[i] === 'b') signs.glyph(to, at, 'M-4 3L0-4L4 3Z', { stroke: 'rust', fill: 'rust' });
      else if (banks[i] === 's') signs.glyph(to, at, 'M3 0A3 3 0 1 1-3 0A3 3 0 1 1 3 0', { stroke: 'loch' });
    }
  }

  route(to, { way, rough }) {
    const places = [];
    for (let i = 0; i < way.length; i += 2) places.push({ lat: way[i], lon: way[i + 1] });
    this.line(to, places, ink(rough ? 'rust' : 'heather'), rough ? [2, 5] : [8, 5], 2.8);
  }

  /** Structure that lies too close together is one sign with its number, too. */
  candidates(to) {
    const groups = this.grouped(this.shown.candidates ?? [], 1.5 * TOGETHER);
    for (const { at, place, members } of groups) {
      this.candidate(to, place, at, members);
      if (members.length > 1) signs.count(to, at, members.length);
    }
  }

  /** Places in the order of their worth, those near to one before with it. */
  grouped(places, apart) {
    const groups = [];
    for (const place of places) {
      const at = this.onScreen(place.lat, place.lon);
      const group = groups.find((one) => Math.hypot(one.at[0] - at[0], one.at[1] - at[1]) < apart);
      if (group && this.transform.k < CLOSEST / 2) group.members.push(place);
      else groups.push({ at, place, members: [place] });
    }
    return groups;
  }

  candidate(to, { id, kind, lat, lon }, at, members) {
    this.hits.push({ id, kind: 'candidate', at, members, lat, lon });
    signs.glyph(to, at, this.shown.glyphs[kind], {
      stroke: 'heather',
      fill: 'sheet',
      chosen: id === this.shown.chosen,
    });
  }

  waypoints(to, k) {
    for (const { at, place, members } of this.grouped(this.shown.waypoints ?? [], TOGETHER)) {
      this.waypoint(to, place, at, members, k);
      if (members.length > 1) signs.count(to, at, members.length);
    }
  }

  waypoint(to, { id, lat, lon, words }, at, members, k) {
    this.hits.push({ id, kind: 'waypoint', at, members, lat, lon });
    signs.glyph(to, at, 'M-4.5-4.5H4.5V4.5H-4.5Z', { stroke: 'ink', fill: 'sheet', chosen: id === this.shown.chosen });
    if (k >= 4 * LABELS_FROM && words) this.label(to, words, [at[0], at[1] + 15], 'faint');
  }

  /** Spots that lie too close together are one sign with their number; the one worth most stands for them. */
  spots(to, k) {
    const { chosen } = this.shown;
    const wanted = (this.shown.places ?? []).filter(({ gone }) => !gone || this.layers.gone);
    const byWorth = wanted.sort((a, b) => (b.id === chosen) - (a.id === chosen) || b.share - a.share);
    const groups = this.grouped(byWorth, TOGETHER);
    for (const { at, place, members } of groups.toReversed()) {
      signs.cairn(to, at, place, place.id === chosen);
      if (members.length > 1) signs.count(to, at, members.length);
      this.hits.push({ id: place.id, kind: 'spot', at, members, lat: place.lat, lon: place.lon });
    }
    for (const { at, place } of groups)
      if (k >= LABELS_FROM || place.share > 0.6 || place.id === chosen)
        this.label(to, place.name, [at[0], at[1] - 20], 'ink');
  }

  bead(to, { id, lat, lon, words, clock }) {
    const at = this.onScreen(lat, lon);
    if (words) {
      this.hit(id, 'stop', at, { lat, lon });
      signs.bead(to, this.held?.id === id ? this.held.at : at, words, id === this.shown.chosen);
    }
    if (clock) this.label(to, clock, [at[0], at[1] + 24], 'heather');
  }

  hit(id, kind, at, { lat, lon }) {
    this.hits.push({ id, kind, at, lat, lon, members: [] });
  }

  line(to, places, colour, dashes, width) {
    if (places.length < 2) return;
    to.beginPath();
    places.forEach(({ lat, lon }, i) => {
      const [x, y] = this.onScreen(lat, lon);
      if (i === 0) to.moveTo(x, y);
      else to.lineTo(x, y);
    });
    to.lineJoin = 'round';
    to.setLineDash(dashes);
    to.lineWidth = width + 2;
    to.strokeStyle = ink('sheet');
    to.stroke();
    to.lineWidth = width;
    to.strokeStyle = colour;
    to.stroke();
    to.setLineDash([]);
  }

  /** Words where no others are. */
  label(to, words, [x, y], colour) {
    const half = to.measureText(words).width / 2 + 3;
    const box = [x - half, y - 9, x + half, y + 9];
    const isCovered = this.taken.some((other) => covers(box, other));
    if (isCovered || box[2] < 0 || box[0] > this.canvas.clientWidth) return;
    this.taken.push(box);
    to.lineWidth = 4;
    to.strokeStyle = ink('sheet');
    to.strokeText(words, x - half + 3, y);
    to.fillStyle = ink(colour);
    to.fillText(words, x - half + 3, y);
  }

  /** A bar of a round length. */
  drawScale(to, width, height) {
    if (!this.sheet.unit) return;
    const perMetre = (this.transform.k * this.fit) / METRES_PER_DEGREE;
    const { metres, words } = round(SCALE_PX / perMetre, this.sheet.unit.code);
    const [x, y, long] = [12, height - 14, metres * perMetre];
    to.beginPath();
    to.moveTo(x, y - 6);
    to.lineTo(x, y);
    to.lineTo(x + long, y);
    to.lineTo(x + long, y - 6);
    to.lineWidth = 4;
    to.strokeStyle = ink('sheet');
    to.stroke();
    to.lineWidth = 2;
    to.strokeStyle = ink('ink');
    to.stroke();
    to.font = `600 12px ${getComputedStyle(document.body).fontFamily}`;
    to.lineWidth = 4;
    to.strokeStyle = ink('sheet');
    to.strokeText(words, x + 4, y - 10);
    to.fillStyle = ink('ink');
    to.fillText(words, x + 4, y - 10);
  }

  /** Returns the mark that was hit, of a kind if one is given; null: none. */
  nearest(x, y, wanted = null) {
    const near = (this.hits ?? [])
      .filter(({ kind }) => !wanted || kind === wanted)
      .map((hit) => ({ ...hit, away: Math.hypot(hit.at[0] - x, hit.at[1] - y) }))
      .sort((a, b) => a.away - b.away)[0];
    return near && near.away <= REACH ? near : null;
  }

  tapped({ offsetX, offsetY }) {
    if (this.wasDragged) {
      this.wasDragged = false;
      return;
    }
    const near = this.nearest(offsetX, offsetY);
    if (near?.members.length > 1 && this.transform.k < CLOSEST / 2) {
      this.centre(near);
      this.closer(2.5);
      this.centre(near);
      return;
    }
    this.told.chosen?.(near?.id ?? null, near?.kind ?? null);
    if (!near) this.told.place?.(this.placeAt(offsetX, offsetY));
  }

  pointed({ offsetX, offsetY }) {
    if (this.told.pointer && this.sheet) this.told.pointer(this.placeAt(offsetX, offsetY));
  }

  /** Whether a press takes hold of a stop that can be dragged, so that the map stays. */
  grabbed(event) {
    if (!this.told.dragged || event.type === 'wheel' || event.touches?.length > 1) return false;
    const at = event.touches?.[0] ?? event;
    const { left, top } = this.canvas.getBoundingClientRect();
    // A stop lies on its spot.
    const near = this.nearest(at.clientX - left, at.clientY - top, 'stop');
    if (!near) return false;
    if (event.type === 'mousedown' || event.type === 'touchstart') this.hold(near, event.type === 'touchstart');
    return true;
  }

  hold(stop, isTouch) {
    const [moving, ending] = isTouch ? ['touchmove', 'touchend'] : ['mousemove', 'mouseup'];
    const { left, top } = this.canvas.getBoundingClientRect();
    const start = stop.at;
    const move = (event) => {
      const { clientX, clientY } = event.touches?.[0] ?? event;
      this.held = { id: stop.id, at: [clientX - left, clientY - top] };
      this.drawSoon();
    };
    const end = () => {
      window.removeEventListener(moving, move);
      const held = this.held;
      this.held = null;
      this.drawSoon();
      if (!held || Math.hypot(held.at[0] - start[0], held.at[1] - start[1]) < 8) return;
      this.wasDragged = !isTouch;
      this.told.dragged(stop.id, this.nearestSpot(held.at));
    };
    window.addEventListener(moving, move);
    window.addEventListener(ending, end, { once: true });
  }

  /** The spot that something was let fall on; null: none. */
  nearestSpot([x, y]) {
    const near = (this.shown.places ?? [])
      .map((place) => {
        const [px, py] = this.onScreen(place.lat, place.lon);
        return { id: place.id, away: Math.hypot(px - x, py - y) };
      })
      .sort((a, b) => a.away - b.away)[0];
    return near && near.away <= REACH ? near.id : null;
  }

  key(event) {
    const keys = {
      '+': () => this.closer(),
      '=': () => this.closer(),
      '-': () => this.back(),
      0: () => this.all(),
      ArrowLeft: () => this.push(MOVE, 0),
      ArrowRight: () => this.push(-MOVE, 0),
      ArrowUp: () => this.push(0, MOVE),
      ArrowDown: () => this.push(0, -MOVE),
    };
    if (!keys[event.key] || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    keys[event.key]();
  }
}

function covers(a, b) {
  return a[0] < b[2] && a[2] > b[0] && a[1] < b[3] && a[3] > b[1];
}

const FEET = { perMetre: 3.28084, name: 'ft', large: 5280, largeName: 'mi' };
const METRES = { perMetre: 1, name: 'm', large: 1000, largeName: 'km' };

/** The greatest round length that is no longer. */
function round(metres, unit) {
  const { perMetre, name, large, largeName } = unit === 'ft' ? FEET : METRES;
  const length = metres * perMetre;
  const [size, words] = length >= large ? [large, largeName] : [1, name];
  const power = 10 ** Math.floor(Math.log10(length / size));
  const lead = [5, 2, 1].find((one) => one * power * size <= length) ?? 1;
  return { metres: (lead * power * size) / perMetre, words: `${lead * power} ${words}` };
}
