import assert from 'node:assert/strict';
import { test } from 'node:test';
import { gramsOf } from '../../main/resources/static/js/boat/scale.js';

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
