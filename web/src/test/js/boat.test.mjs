import assert from 'node:assert/strict';
import { test } from 'node:test';
import { at } from '../../main/resources/static/js/fill.js';
import { decision, freshCode, joined, Outbox } from '../../main/resources/static/js/outbox.js';

/** As much of a browser's storage as the outbox needs. */
function storage() {
  const kept = new Map();
  return { getItem: (key) => kept.get(key) ?? null, setItem: (key, value) => kept.set(key, value) };
}

test('entries wait in the order they were made, over a reload, each log with its own', () => {
  const store = storage();
  new Outbox(store, 'one').change((kept) => kept.unsent.push({ id: 'a' }));
  new Outbox(store, 'one').change((kept) => kept.unsent.push({ id: 'b' }));
  assert.deepEqual(
    new Outbox(store, 'one').read().unsent.map((e) => e.id),
    ['a', 'b'],
  );
  assert.deepEqual(new Outbox(store, 'two').read().unsent, []);
});

test('what a device kept since version 1 is read with the types of today', () => {
  const store = storage();
  const old = { id: 'a', type: 'strike' };
  store.setItem('one', JSON.stringify({ log: { entries: [old], now: 1 }, unsent: [{ id: 'b', type: 'well-water' }] }));
  const kept = new Outbox(store, 'one').read();
  assert.deepEqual(kept.log, { entries: [{ id: 'a', type: 'bite' }], now: 1 });
  assert.deepEqual(kept.unsent, [{ id: 'b', type: 'livewell' }]);
});

test('the log known here is what the server has, then what waits, each entry once', () => {
  const log = { entries: [{ id: 'a' }, { id: 'b' }], now: 1 };
  assert.deepEqual(
    joined(log, [{ id: 'b' }, { id: 'c' }]).entries.map((e) => e.id),
    ['a', 'b', 'c'],
  );
  assert.equal(log.entries.length, 2, 'the log itself stays as it was');
});

test('a decision is compared by what goes and what stays', () => {
  const rows = [
    { entry: 'a', decision: 'keep', released: null },
    { entry: 'b', decision: 'cull', released: 'a' },
  ];
  assert.notEqual(decision(rows, 'a'), decision(rows, 'b'));
  assert.equal(decision(rows, 'nothing'), '');
});

test('a path leads into a view, and out of it to nothing', () => {
  assert.equal(at({ told: { act: 'Keep it.' } }, 'told.act'), 'Keep it.');
  assert.equal(at({ told: null }, 'told.act'), undefined);
  assert.equal(at('Day 1', '.'), 'Day 1');
});

test('codes are of 128 bits', () => {
  assert.match(freshCode(globalThis.crypto), /^[0-9a-f]{32}$/);
});
