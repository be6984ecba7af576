import assert from 'node:assert/strict';
import { test } from 'node:test';
import { gramsOf, Scale } from '../../main/resources/static/js/boat/scale.js';

const view = (...bytes) => new DataView(Uint8Array.from(bytes).buffer);

test('a weight in steps of 5 g or of a hundredth of a pound', () => {
  // 1.545 kg; 3.41 lb with a time stamp after it.
  assert.equal(gramsOf(view(0x00, 0x35, 0x01)), 1545);
  assert.ok(Math.abs(gramsOf(view(0x03, 0x55, 0x01, 0xeb, 0x07, 6, 5, 9, 41, 0)) - 1546.7) < 0.1);
});

test('a measurement that failed, an empty scale and rubbish are no weights', () => {
  assert.equal(gramsOf(view(0x00, 0xff, 0xff)), null);
  assert.equal(gramsOf(view(0x00, 0x00, 0x00)), null);
  assert.equal(gramsOf(view(0x00)), null);
});

/** A Bluetooth scale near by, as the browser shows it. */
function near(choose = async () => {}) {
  const weight = Object.assign(new EventTarget(), { startNotifications: async () => {} });
  const device = Object.assign(new EventTarget(), {
    gatt: {
      connect: async () => ({
        getPrimaryService: async (service) => {
          assert.equal(service, 0x181d);
          return {
            getCharacteristic: async (kind) => {
              assert.equal(kind, 0x2a9d);
              return weight;
            },
          };
        },
      }),
    },
  });
  const bluetooth = {
    requestDevice: async ({ filters }) => {
      assert.deepEqual(filters, [{ services: [0x181d] }]);
      await choose();
      return device;
    },
  };
  Object.defineProperty(globalThis, 'navigator', { value: { bluetooth }, configurable: true });
  return {
    weighs(...bytes) {
      weight.value = new DataView(Uint8Array.from(bytes).buffer);
      weight.dispatchEvent(new Event('characteristicvaluechanged'));
    },
    goesAway: () => device.dispatchEvent(new Event('gattserverdisconnected')),
  };
}

function listening() {
  const told = [];
  const scale = new Scale(
    (weighing) => told.push(weighing),
    () => {},
  );
  return { scale, told };
}

test('reports a Bluetooth weight once, ignores rubbish, and reports a lost scale', async () => {
  const device = near();
  const { scale, told } = listening();
  assert.ok(scale.hasBluetooth);
  await scale.connect();
  assert.equal(scale.words, 'Bluetooth scale connected.');
  device.weighs(0, 0x2c, 0x01);
  device.weighs(0, 0xff, 0xff);
  device.weighs(7);
  assert.deepEqual(told, [{ grams: 1500, from: 'Bluetooth scale' }]);
  device.goesAway();
  assert.equal(scale.words, 'The Bluetooth scale went away: connect it again.');
  await scale.connect();
  assert.equal(scale.words, 'Bluetooth scale connected.');
  device.weighs(1, 0x64, 0x00);
  assert.equal(told.length, 2, 'one more, though it was connected twice');
});

test('no scale chosen, and one that cannot be connected, are said', async () => {
  for (const [name, words] of [
    ['NotFoundError', 'No scale was chosen.'],
    ['NetworkError', 'The scale cannot be connected: out of reach'],
  ]) {
    near(async () => {
      throw Object.assign(new Error('out of reach'), { name });
    });
    const { scale, told } = listening();
    await scale.connect();
    assert.equal(scale.words, words);
    assert.deepEqual(told, []);
  }
});
