// The signs of the map: cairns, waypoints, structure, ramps, beads, the boat. Each is drawn around a place in pixels.
import { ink } from './ink.js';

const STONES = [
  [0, 9, 11, 2.6],
  [-0.6, 4.4, 8.6, 2.3],
  [0.5, 0.1, 6.6, 2.1],
  [-0.2, -3.9, 4.8, 1.9],
  [0.2, -7.6, 3.1, 1.7],
];

/** A spot: its stones say how much is known of it, its size what an hour there brings. */
export function cairn(to, [x, y], { stones, share, caution, gone }, isChosen) {
  const size = 0.7 + 0.6 * share;
  const plain = gone ? 'sheet' : 'ink';
  const stone = caution ? 'rust' : plain;
  if (isChosen) {
    to.beginPath();
    to.arc(x, y, 20 * size, 0, 2 * Math.PI);
    to.fillStyle = ink('gorse');
    to.fill();
    to.lineWidth = 2;
    to.strokeStyle = ink('ink');
    to.stroke();
  }
  for (const [dx, dy, rx, ry] of STONES.slice(0, Math.max(1, stones))) {
    to.beginPath();
    to.ellipse(x + dx * size, y + dy * size, rx * size, ry * size, 0, 0, 2 * Math.PI);
    to.fillStyle = ink(stone);
    to.fill();
    to.lineWidth = gone ? 1.8 : 1.2;
    to.strokeStyle = ink(gone ? 'ink' : 'sheet');
    to.stroke();
  }
  // Fished and given nothing: struck out.
  if (gone) {
    to.beginPath();
    to.moveTo(x - 11 * size, y + 11 * size);
    to.lineTo(x + 11 * size, y - 9 * size);
    to.lineWidth = 2.6;
    to.strokeStyle = ink('rust');
    to.stroke();
  }
}

/** Counts the marks too close together to separate. */
export function count(to, [x, y], many) {
  to.beginPath();
  to.arc(x + 12, y - 9, 8.5, 0, 2 * Math.PI);
  to.fillStyle = ink('heather');
  to.fill();
  to.fillStyle = ink('sheet');
  to.textAlign = 'center';
  to.fillText(String(many), x + 12, y - 8);
  to.textAlign = 'left';
}

/** A place where the boat starts or ends. */
export function ramp(to, [x, y], letter) {
  to.fillStyle = ink('ink');
  to.fillRect(x - 9, y - 9, 18, 18);
  to.fillStyle = ink('sheet');
  to.textAlign = 'center';
  to.fillText(letter, x, y + 1);
  to.textAlign = 'left';
}

/** A shape given as a path around 0, 0 within ±9. */
export function glyph(to, [x, y], path, { fill, stroke, chosen }) {
  to.save();
  to.translate(x, y);
  if (chosen) {
    to.beginPath();
    to.arc(0, 0, 14, 0, 2 * Math.PI);
    to.fillStyle = ink('gorse');
    to.fill();
  }
  const shape = new Path2D(path);
  to.lineJoin = 'round';
  to.lineWidth = 4.5;
  to.strokeStyle = ink('sheet');
  to.stroke(shape);
  if (fill) {
    to.fillStyle = ink(fill);
    to.fill(shape);
  }
  to.lineWidth = 2;
  to.strokeStyle = ink(stroke);
  to.stroke(shape);
  to.restore();
}

/** A stop of the day, with its number in the order of the day. */
export function bead(to, [x, y], words, isChosen) {
  const half = Math.max(11, to.measureText(words).width / 2 + 7);
  to.beginPath();
  to.roundRect(x - half, y - 11, 2 * half, 22, 11);
  to.fillStyle = ink(isChosen ? 'gorse' : 'loch');
  to.fill();
  to.lineWidth = 2;
  to.strokeStyle = ink('sheet');
  to.stroke();
  to.fillStyle = ink(isChosen ? 'on-gorse' : 'sheet');
  to.textAlign = 'center';
  to.fillText(words, x, y + 1);
  to.textAlign = 'left';
}

export function boat(to, [x, y]) {
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

/** Where the wind blows to, beside its speed. */
export function wind(to, [x, y], { fromDeg, words }) {
  to.save();
  to.translate(x, y);
  to.fillStyle = ink('sheet');
  to.globalAlpha = 0.88;
  to.beginPath();
  to.roundRect(-22, -22, 44 + to.measureText(words).width + 12, 44, 8);
  to.fill();
  to.globalAlpha = 1;
  to.fillStyle = ink('ink');
  to.fillText(words, 24, 1);
  to.rotate(((fromDeg + 180) * Math.PI) / 180);
  to.beginPath();
  to.moveTo(0, 16);
  to.lineTo(0, -14);
  to.moveTo(-6, -6);
  to.lineTo(0, -15);
  to.lineTo(6, -6);
  to.lineWidth = 3;
  to.lineCap = 'round';
  to.strokeStyle = ink('loch');
  to.stroke();
  to.restore();
}
