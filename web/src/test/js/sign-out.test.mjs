import assert from 'node:assert/strict';
import { test } from 'node:test';
import { waiting, wipe } from '../../main/resources/static/js/sign-out.js';

/** Storage of a device. */
class Device {
  constructor(items) {
    this.items = new Map(Object.entries(items).map(([key, value]) => [key, JSON.stringify(value)]));
  }

  get length() {
    return this.items.size;
  }

  key(i) {
    return [...this.items.keys()][i];
  }

  getItem(key) {
    return this.items.get(key) ?? null;
  }

  setItem(key, value) {
    this.items.set(key, value);
  }

  removeItem(key) {
    this.items.delete(key);
  }
}

const LOG = { brief: 'Secret open', spots: ['Reed Corner'], entries: [] };

test('what the server has is taken off the device, whole', () => {
  const device = new Device({
    'lochan-boat /events/1/competition': { log: LOG, unsent: [], told: { a: { words: 'Keep' } } },
    'lochan-boat /events/2/competition': { log: LOG },
    'lochan-aloud': 'on',
  });
  assert.equal(waiting(device), 0);
  wipe(device);
  assert.deepEqual([...device.items.keys()], ['lochan-aloud']);
});

test('what the server does not have stays, and nothing beside it', () => {
  const refused = { id: 'r', entry: { id: 'r', type: 'void' }, words: 'Keep the fish of Reed Corner', message: 'no' };
  const device = new Device({
    'lochan-boat /events/1/competition': {
      log: LOG,
      unsent: [{ id: 'u', type: 'catch' }],
      refused: [refused],
      clashes: [{ words: 'Reed Corner' }],
    },
  });
  assert.equal(waiting(device), 2);
  wipe(device);
  const kept = device.getItem('lochan-boat /events/1/competition');
  assert.deepEqual(JSON.parse(kept), {
    unsent: [{ id: 'u', type: 'catch' }],
    refused: [{ ...refused, words: 'an entry of this device' }],
  });
  assert.ok(!kept.includes('Reed Corner') && !kept.includes('Secret'));
});
