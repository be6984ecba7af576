// The map of the water: moving it, a run between two places, a band of depths. What runs and bands are is computed by the server.
import { select, zoom, zoomIdentity } from '/assets/map-vendor.js';

const CLOSEST = 24;
const STEP = 1.5;
const MOVE = 60;
const PAUSE_MILLIS = 120;

/** Units of the drawing for each pixel of the screen, before it is moved closer. */
function perPixel(svg) {
  const { width, height } = svg.viewBox.baseVal;
  return Math.max(width / (svg.clientWidth || width), height / (svg.clientHeight || height));
}

/** Keeps marks at one size on the screen, however close the map is. */
function sizeMarks(svg, scale) {
  const size = perPixel(svg) / scale;
  for (const mark of svg.querySelectorAll('[data-mark]')) {
    mark.setAttribute('transform', `translate(${mark.dataset.x} ${mark.dataset.y}) scale(${size})`);
  }
  svg.classList.toggle('far', scale < 2.2);
}

function movable(root) {
  const svg = root.querySelector('svg');
  const view = svg.querySelector('[data-view]');
  let scale = 1;
  const behaviour = zoom()
    .scaleExtent([1, CLOSEST])
    .on('zoom', ({ transform }) => {
      scale = transform.k;
      view.setAttribute('transform', transform.toString());
      sizeMarks(svg, scale);
    });
  const map = select(svg);
  map.call(behaviour);
  const by = (factor) => map.call(behaviour.scaleBy, factor);
  const move = (x, y) => map.call(behaviour.translateBy, (x * perPixel(svg)) / scale, (y * perPixel(svg)) / scale);
  const keys = {
    '+': () => by(STEP),
    '=': () => by(STEP),
    '-': () => by(1 / STEP),
    0: () => map.call(behaviour.transform, zoomIdentity),
    ArrowLeft: () => move(MOVE, 0),
    ArrowRight: () => move(-MOVE, 0),
    ArrowUp: () => move(0, MOVE),
    ArrowDown: () => move(0, -MOVE),
  };
  svg.addEventListener('keydown', (event) => {
    if (keys[event.key] && !event.ctrlKey && !event.metaKey && !event.altKey) {
      event.preventDefault();
      keys[event.key]();
    }
  });
  root.querySelector('[data-closer]').addEventListener('click', keys['+']);
  root.querySelector('[data-back]').addEventListener('click', keys['-']);
  root.querySelector('[data-all]').addEventListener('click', keys[0]);
  new ResizeObserver(() => sizeMarks(svg, scale)).observe(svg);
  sizeMarks(svg, scale);
}

/** Asks the server; null when it cannot be reached or has no answer. */
async function ask(path) {
  try {
    const answer = await fetch(path);
    return answer.ok && answer.headers.get('content-type')?.includes('json') ? await answer.json() : null;
  } catch {
    return null;
  }
}

function runs(root, address) {
  const from = document.querySelector('[data-run-from]');
  if (!from) return;
  const to = document.querySelector('[data-run-to]');
  const words = document.querySelector('[data-run-words]');
  const show = async () => {
    for (const place of root.querySelectorAll('[data-spot]')) {
      place.classList.toggle('chosen', place.dataset.spot === from.value || place.dataset.spot === to.value);
    }
    if (!to.value) return;
    const run = await ask(`${address}/run?${new URLSearchParams({ from: from.value, to: to.value })}`);
    words.textContent = run ? run.words : 'No answer from the server: try again.';
    root.querySelector('[data-run]').setAttribute('d', run?.path ?? '');
  };
  from.addEventListener('change', show);
  to.addEventListener('change', show);
  for (const place of root.querySelectorAll('[data-spot]')) {
    place.addEventListener('click', () => {
      if (to.value) from.value = to.value;
      to.value = place.dataset.spot;
      show();
    });
  }
}

function bands(root, address) {
  const from = document.getElementById('bandFrom');
  const to = document.getElementById('bandTo');
  if (!from) return;
  const words = document.querySelector('[data-band-words]');
  const unit = document.querySelector('label[for=bandFrom]').textContent.split(', ')[1];
  let timer = 0;
  let asked = 0;
  const show = async () => {
    const mine = ++asked;
    const [low, high] = [Number(from.value), Number(to.value)].sort((a, b) => a - b);
    const band = await ask(`${address}/band?${new URLSearchParams({ from: low, to: high })}`);
    if (mine !== asked) return;
    words.textContent = band ? `${low} to ${high} ${unit}: ${band.area}` : 'No answer from the server: try again.';
    root.querySelector('[data-band]').setAttribute('d', band?.path ?? '');
  };
  for (const end of [from, to]) {
    end.addEventListener('input', () => {
      clearTimeout(timer);
      timer = setTimeout(show, PAUSE_MILLIS);
    });
  }
}

/** Makes the page's map move and answer. */
export function watchMap() {
  const root = document.querySelector('[data-map]:not([data-ready])');
  if (!root) return;
  movable(root);
  runs(root, root.dataset.root);
  bands(root, root.dataset.root);
  root.dataset.ready = 'true';
}

watchMap();
