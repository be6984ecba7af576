// Draws the lake of a pack on a canvas: depth in washes, lines of equal depth, spots as cairns, the day's route, the boat.
import { select, zoom, zoomIdentity } from '/assets/map-vendor.js';

const CLOSEST = 40;
const STEP = 1.6;
/** A finger hits what is this near, px. */
const REACH = 30;
const LABELS_FROM = 2;
const STONES = [
  [0, 9, 11, 2.6],
  [-0.6, 4.4, 8.6, 2.3],
  [0.5, 0.1, 6.6, 2.1],
  [-0.2, -3.9, 4.8, 1.9],
  [0.2, -7.6, 3.1, 1.7],
];

const inks = new Map();

/** A colour of the page's palette; looked up once a drawing. */
function ink(name) {
  if (!inks.has(name)) inks.set(name, getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim());
  return inks.get(name);
}

/** Degrees to a plane whose unit is a degree of latitude, north up. */
class Plane {
  constructor(rings) {
    const lats = rings.flatMap((ring) => ring.filter((_, i) => i % 2 === 0));
    const lons = rings.flatMap((ring) => ring.filter((_, i) => i % 2 === 1));
    this.lat = (Math.max(...lats) + Math.min(...lats)) / 2;
    this.lon = (Math.max(...lons) + Math.min(...lons)) / 2;
    this.across = Math.cos((this.lat * Math.PI) / 180);
    this.width = (Math.max(...lons) - Math.min(...lons)) * this.across || 0.01;
    this.height = Math.max(...lats) - Math.min(...lats) || 0.01;
  }

  point(lat, lon) {
    return [(lon - this.lon) * this.across, this.lat - lat];
  }
}

export class LakeCanvas {
  /**
   * @param chosen is told the id of a spot that was tapped; null: none
   * @param before the one that was shown before, whose part of the lake is shown again
   */
  constructor(canvas, chosen, before) {
    this.canvas = canvas;
    this.chosen = chosen;
    this.transform = zoomIdentity;
    this.behaviour = zoom()
      .scaleExtent([1, CLOSEST])
      .on('zoom', ({ transform }) => {
        this.transform = transform;
        this.drawSoon();
      });
    select(canvas).call(this.behaviour).on('dblclick.zoom', null);
    if (before) select(canvas).call(this.behaviour.transform, before.transform);
    canvas.addEventListener('click', ({ offsetX, offsetY }) => this.tapped(offsetX, offsetY));
    new ResizeObserver(() => this.drawSoon()).observe(canvas);
  }

  /** @param pack what was taken along; shown again only where it is another */
  take(pack) {
    if (this.pack === pack) return;
    this.pack = pack;
    const { lake, spots, event } = pack.data;
    const places = [event.launch, event.checkInAt, ...spots];
    const rings = (lake?.water ?? []).flatMap(({ rings: all }) => all);
    this.plane = new Plane(rings.length > 0 ? rings : [places.flatMap(({ lat, lon }) => [lat, lon])]);
    this.water = this.path(lake?.water ?? []);
    this.slow = this.path((lake?.slow ?? []).flatMap(({ water }) => water));
    this.offLimits = this.path((lake?.offLimits ?? []).flatMap(({ water }) => water));
    this.lines = (pack.depths?.lines ?? []).map(({ depth, parts }) => ({
      depth,
      path: this.polylines(parts),
      at: parts.length > 0 ? this.middle(parts.reduce((a, b) => (a.length > b.length ? a : b))) : null,
    }));
    this.wash = null;
  }

  /** @param shown `{places, route, beads, way, boat, chosen}` */
  show(shown) {
    this.shown = shown;
    this.drawSoon();
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

  /** Moves a place into the middle. */
  centre({ lat, lon }) {
    const [x, y] = this.onScreen(lat, lon);
    const { clientWidth, clientHeight } = this.canvas;
    const { k } = this.transform;
    select(this.canvas).call(this.behaviour.translateBy, (clientWidth / 2 - x) / k, (clientHeight / 2 - y) / k);
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

  middle(part) {
    const i = 2 * Math.floor(part.length / 4);
    return { lat: part[i], lon: part[i + 1] };
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

  drawSoon() {
    if (this.frame || !this.pack || !this.shown) return;
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
    inks.clear();
    if (canvas.width !== Math.round(width * ratio) || canvas.height !== Math.round(height * ratio)) {
      canvas.width = Math.round(width * ratio);
      canvas.height = Math.round(height * ratio);
    }
    const to = canvas.getContext('2d');
    to.setTransform(ratio, 0, 0, ratio, 0, 0);
    to.fillStyle = ink('land');
    to.fillRect(0, 0, width, height);
    const { k, x, y } = this.transform;
    const scale = k * this.fit;
    to.save();
    to.translate(x + (k * width) / 2, y + (k * height) / 2);
    to.scale(scale, scale);
    this.drawWater(to, scale);
    to.restore();
    this.drawMarks(to, k);
  }

  drawWater(to, scale) {
    to.save();
    to.clip(this.water, 'evenodd');
    to.fillStyle = ink('shallow');
    to.fill(this.water, 'evenodd');
    if (this.pack.depths) {
      const { columns, rows, west, north, cell } = this.pack.depths;
      const [x, y] = this.plane.point(north, west);
      to.imageSmoothingEnabled = true;
      to.drawImage(this.washes(), x, y, columns * cell * this.plane.across, rows * cell);
    }
    to.lineWidth = 0.8 / scale;
    to.strokeStyle = ink('isobath');
    for (const { path } of this.lines) to.stroke(path);
    to.restore();
    to.lineWidth = 1.4 / scale;
    to.strokeStyle = ink('edge');
    to.stroke(this.water);
    this.hatch(to, this.slow, ink('edge'), scale, 1);
    this.hatch(to, this.offLimits, ink('rust'), scale, -1);
  }

  /** Water with rules of its own: hatched, one way where it is slow, the other where it is off limits. */
  hatch(to, path, colour, scale, way) {
    to.save();
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

  /** The depths as a picture, a pixel for each cell. */
  washes() {
    const theme = ink('paper');
    if (this.wash?.theme === theme) return this.wash.picture;
    const { columns, rows, decimetres } = this.pack.depths;
    const picture = new OffscreenCanvas(columns, rows);
    const to = picture.getContext('2d');
    const image = to.createImageData(columns, rows);
    const [pale, deep] = [rgb(ink('shallow')), rgb(ink('deep'))];
    const deepest = Math.max(1, ...decimetres);
    decimetres.forEach((depth, i) => {
      const share = Math.max(0, depth) / deepest;
      for (let c = 0; c < 3; c += 1) image.data[4 * i + c] = pale[c] + (deep[c] - pale[c]) * share;
      image.data[4 * i + 3] = 255;
    });
    to.putImageData(image, 0, 0);
    this.wash = { theme, picture };
    return picture;
  }

  drawMarks(to, k) {
    const { places, route, beads, way, boat, chosen } = this.shown;
    const { launch, checkInAt } = this.pack.data.event;
    to.font = `600 13px ${getComputedStyle(document.body).fontFamily}`;
    to.textBaseline = 'middle';
    const taken = [];
    this.line(to, route, ink('heather'), [7, 5], 2.5);
    this.line(to, way ?? [], ink('gorse'), [], 4);
    if (k >= LABELS_FROM)
      for (const { depth, at } of this.lines)
        if (at) this.label(to, depth, this.onScreen(at.lat, at.lon), taken, 'isobath');
    for (const { lat, lon, note } of this.pack.data.waypoints) {
      const [x, y] = this.onScreen(lat, lon);
      to.lineWidth = 2;
      to.strokeStyle = ink('ink');
      to.strokeRect(x - 4, y - 4, 8, 8);
      if (note && k >= 2 * LABELS_FROM) this.label(to, note, [x, y + 14], taken, 'faint');
    }
    this.ramp(to, launch, 'L');
    if (checkInAt.lat !== launch.lat || checkInAt.lon !== launch.lon) this.ramp(to, checkInAt, 'C');
    const byWorth = [...places].sort((a, b) => (b.id === chosen) - (a.id === chosen) || b.share - a.share);
    for (const place of [...byWorth].reverse()) this.cairn(to, place, place.id === chosen);
    for (const { clock, lat, lon } of beads) {
      const [x, y] = this.onScreen(lat, lon);
      this.label(to, clock, [x, y + 24], taken, 'heather');
    }
    for (const { name, lat, lon, share } of byWorth) {
      const [x, y] = this.onScreen(lat, lon);
      if (k >= LABELS_FROM || share > 0.6) this.label(to, name, [x, y - 20], taken, 'ink');
    }
    if (boat) this.boat(to, boat);
  }

  line(to, places, colour, dashes, width) {
    if (places.length < 2) return;
    to.beginPath();
    places.forEach(({ lat, lon }, i) => {
      const [x, y] = this.onScreen(lat, lon);
      if (i === 0) to.moveTo(x, y);
      else to.lineTo(x, y);
    });
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
  label(to, words, [x, y], taken, colour) {
    const half = to.measureText(words).width / 2 + 3;
    const box = [x - half, y - 9, x + half, y + 9];
    const covered = taken.some((b) => box[0] < b[2] && box[2] > b[0] && box[1] < b[3] && box[3] > b[1]);
    if (covered || box[2] < 0 || box[0] > this.canvas.clientWidth) return;
    taken.push(box);
    to.lineWidth = 4;
    to.strokeStyle = ink('sheet');
    to.strokeText(words, x - half + 3, y);
    to.fillStyle = ink(colour);
    to.fillText(words, x - half + 3, y);
  }

  /** A spot: its stones say how much is known of it, its size what an hour there brings now. */
  cairn(to, { lat, lon, stones, share, caution }, isChosen) {
    const [x, y] = this.onScreen(lat, lon);
    const size = 0.7 + 0.6 * share;
    if (isChosen) {
      to.beginPath();
      to.arc(x, y, 20 * size, 0, 2 * Math.PI);
      to.fillStyle = ink('gorse');
      to.fill();
    }
    for (const [dx, dy, rx, ry] of STONES.slice(0, stones)) {
      to.beginPath();
      to.ellipse(x + dx * size, y + dy * size, rx * size, ry * size, 0, 0, 2 * Math.PI);
      to.fillStyle = ink(caution ? 'rust' : 'ink');
      to.fill();
      to.lineWidth = 1.2;
      to.strokeStyle = ink('sheet');
      to.stroke();
    }
  }

  ramp(to, { lat, lon }, letter) {
    const [x, y] = this.onScreen(lat, lon);
    to.fillStyle = ink('ink');
    to.fillRect(x - 9, y - 9, 18, 18);
    to.fillStyle = ink('sheet');
    to.fillText(letter, x - to.measureText(letter).width / 2, y + 1);
  }

  boat(to, { lat, lon }) {
    const [x, y] = this.onScreen(Number(lat), Number(lon));
    to.beginPath();
    to.moveTo(x, y - 13);
    to.lineTo(x + 8, y + 10);
    to.lineTo(x - 8, y + 10);
    to.closePath();
    to.fillStyle = ink('gorse');
    to.fill();
    to.lineWidth = 2.5;
    to.strokeStyle = '#1c2321';
    to.stroke();
  }

  tapped(x, y) {
    const near = this.shown.places
      .map(({ id, lat, lon }) => {
        const [px, py] = this.onScreen(lat, lon);
        return { id, away: Math.hypot(px - x, py - y) };
      })
      .sort((a, b) => a.away - b.away)[0];
    this.chosen(near && near.away <= REACH ? near.id : null);
  }
}

function rgb(hex) {
  return [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
}
