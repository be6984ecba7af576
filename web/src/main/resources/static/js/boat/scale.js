// Weights from a scale: one that the server reads, or one with Bluetooth's Weight Scale Service. They fill the fish form and log nothing.
import { readInstruments } from '../instruments.js';

const WEIGHT_SCALE_SERVICE = 0x181d;
const WEIGHT_MEASUREMENT = 0x2a9d;
const GRAMS_PER_UNIT = { si: 5, pounds: 4.5359237 };
const IMPERIAL = 1;
/** A measurement that failed is sent as this. */
const NO_WEIGHT = 0xffff;
const EVERY_MILLIS = 2000;

/** Grams of a Weight Measurement (a DataView), as Bluetooth's specification has it; null where it failed or is none. */
export function gramsOf(measurement) {
  if (measurement.byteLength < 3) return null;
  const raw = measurement.getUint16(1, true);
  if (raw === NO_WEIGHT || raw === 0) return null;
  return raw * (measurement.getUint8(0) & IMPERIAL ? GRAMS_PER_UNIT.pounds : GRAMS_PER_UNIT.si);
}

/** Tells of each weighing, once, and how it goes with the scale. */
export class Scale {
  /** @param tell called with `{grams, from}` of a weighing; @param changed called when `words` has changed */
  constructor(tell, changed) {
    this.tell = tell;
    this.changed = changed;
    this.words = null;
    this.last = null;
    // Once each, however often the same scale is connected.
    this.wentAway = () => this.say('The Bluetooth scale went away: connect it again.');
    this.weighed = ({ target }) => {
      const grams = gramsOf(target.value);
      if (grams !== null) this.tell({ grams, from: 'Bluetooth scale' });
    };
  }

  get hasBluetooth() {
    return 'bluetooth' in navigator;
  }

  say(words) {
    if (words === this.words) return;
    this.words = words;
    this.changed();
  }

  /** Asks the server again and again, until it says that it has no scale. What was weighed before is of another fish. */
  watch() {
    const timer = setInterval(async () => {
      if (document.hidden || !navigator.onLine) return;
      const live = await readInstruments();
      if (!live) return;
      if (!live.scale) {
        clearInterval(timer);
        return;
      }
      const { number, grams, well, words } = live.scale;
      this.say(well ? null : `Scale: ${words}`);
      const isNew = this.last !== null && number !== this.last && number > 0;
      this.last = number;
      if (isNew) this.tell({ grams, from: 'scale' });
    }, EVERY_MILLIS);
  }

  /** Lets the angler choose a scale near by, and listens to it until it goes away. */
  async connect() {
    try {
      const device = await navigator.bluetooth.requestDevice({ filters: [{ services: [WEIGHT_SCALE_SERVICE] }] });
      device.addEventListener('gattserverdisconnected', this.wentAway);
      const server = await device.gatt.connect();
      const service = await server.getPrimaryService(WEIGHT_SCALE_SERVICE);
      const weight = await service.getCharacteristic(WEIGHT_MEASUREMENT);
      weight.addEventListener('characteristicvaluechanged', this.weighed);
      await weight.startNotifications();
      this.say('Bluetooth scale connected.');
    } catch (error) {
      this.say(
        error.name === 'NotFoundError' ? 'No scale was chosen.' : `The scale cannot be connected: ${error.message}`,
      );
    }
  }
}
