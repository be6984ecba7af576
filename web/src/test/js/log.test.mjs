import assert from 'node:assert/strict';
import { test } from 'node:test';
import { freshCode, Outbox, withAge } from '../../main/resources/static/js/log.js';

/** As much of a browser's storage as the outbox needs. */
function storage() {
  const kept = new Map();
  return { getItem: (key) => kept.get(key) ?? null, setItem: (key, value) => kept.set(key, value) };
}

const entry = (code) => ({ fields: { code, type: 'catch', weight: '3-4' }, madeAt: 1000 });

test('entries wait in the order they were made, over a reload', () => {
  const store = storage();
  const before = new Outbox(store, 'unsent');
  before.add(entry('a'));
  before.add(entry('b'));
  const after = new Outbox(store, 'unsent');
  assert.deepEqual(after.all().map((e) => e.fields.code), ['a', 'b']);
});

test('only what was acknowledged leaves the outbox', () => {
  const outbox = new Outbox(storage(), 'unsent');
  ['a', 'b', 'c'].forEach((code) => outbox.add(entry(code)));
  outbox.remove('b');
  outbox.remove('nothing');
  assert.deepEqual(outbox.all().map((e) => e.fields.code), ['a', 'c']);
});

test('events have outboxes of their own', () => {
  const store = storage();
  new Outbox(store, 'one').add(entry('a'));
  assert.deepEqual(new Outbox(store, 'two').all(), []);
});

test('an entry is sent with its age in seconds, never a negative one', () => {
  assert.equal(withAge(entry('a'), 61_400).ago, '60');
  assert.equal(withAge(entry('a'), 0).ago, '0');
  assert.deepEqual(entry('a').fields, { code: 'a', type: 'catch', weight: '3-4' }, 'the entry itself stays as it was');
});

test('ids of entries differ, without a secure context too', () => {
  const insecure = { getRandomValues: (bytes) => globalThis.crypto.getRandomValues(bytes) };
  const codes = new Set(Array.from({ length: 1000 }, () => freshCode(insecure)));
  assert.equal(codes.size, 1000);
  assert.match([...codes][0], /^[0-9a-f]{32}$/);
});
