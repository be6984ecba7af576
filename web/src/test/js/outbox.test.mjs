import assert from 'node:assert/strict';
import { test } from 'node:test';
import {
  answered,
  decision,
  freshCode,
  joined,
  keptBefore,
  nothing,
  waiting,
  withoutSecrets,
} from '../../main/resources/static/js/boat/outbox.js';

/** Storage of a device. */
function device(items) {
  const keys = Object.keys(items);
  return { length: keys.length, key: (i) => keys[i], getItem: (key) => JSON.stringify(items[key]) };
}

test('what a version before kept waits on, with the types of today', () => {
  const refused = { id: 'r', entry: { id: 'r', type: 'strike' }, words: 'Bite', message: 'no' };
  const found = keptBefore(
    device({
      'lochan-boat /events/7/competition': {
        log: { entries: [] },
        unsent: [{ id: 'b', type: 'well-water' }],
        refused: [refused],
      },
      'lochan-aloud': 'on',
    }),
  );
  assert.deepEqual(found, [
    {
      key: 'lochan-boat /events/7/competition',
      root: '/boat/7',
      unsent: [{ id: 'b', type: 'livewell' }],
      refused: [{ ...refused, entry: { id: 'r', type: 'bite' } }],
    },
  ]);
});

test('the log known here is what the server has, then what waits, each entry once', () => {
  const log = { entries: [{ id: 'a' }, { id: 'b' }], now: 1 };
  assert.deepEqual(
    joined(log, [{ id: 'b' }, { id: 'c' }]).entries.map((e) => e.id),
    ['a', 'b', 'c'],
  );
  assert.equal(log.entries.length, 2, 'the log itself is unchanged');
});

test('a decision is compared by what goes and what stays', () => {
  const rows = [
    { entry: 'a', decision: 'keep', released: null },
    { entry: 'b', decision: 'cull', released: 'a' },
  ];
  assert.notEqual(decision(rows, 'a'), decision(rows, 'b'));
  assert.equal(decision(rows, 'nothing'), '');
});

test('codes are of 128 bits', () => {
  assert.match(freshCode(globalThis.crypto), /^[0-9a-f]{32}$/);
});

test('of what was sent each entry is taken, refused, in conflict or changed; what came meanwhile waits on', () => {
  const sent = ['a', 'b', 'c'].map((id) => ({ id }));
  const kept = {
    ...nothing(),
    unsent: [...sent, { id: 'later' }],
    told: {
      a: { told: 'keep ', words: 'Tag it.' },
      b: { told: 'keep ', words: 'Keep the second.' },
      c: { told: 'keep ', words: 'Keep the third.' },
    },
  };
  const rows = [
    { entry: 'a', decision: 'keep', released: '' },
    { entry: 'c', decision: 'release', released: '' },
  ];
  const lines = new Map([
    ['a', { what: 'largemouth', time: '09:00', brought: 'Tag it.' }],
    ['c', { what: 'largemouth', time: '09:10', brought: 'Release it.' }],
  ]);
  const said = {
    refused: [{ id: 'b', message: 'No such species.' }],
    moved: [{ id: 'a', message: 'Its spot was deleted.' }],
  };
  answered(kept, sent, said, rows, lines);
  assert.deepEqual(
    kept.unsent.map((e) => e.id),
    ['later'],
  );
  assert.deepEqual(kept.refused, [
    { id: 'b', entry: { id: 'b' }, words: 'Keep the second.', message: 'No such species.' },
  ]);
  assert.deepEqual(
    kept.clashes.map((c) => c.id),
    ['c', 'a moved'],
  );
  assert.match(kept.clashes[0].words, /“Keep the third.” of largemouth at 09:10.*“Release it.”/);
  assert.deepEqual(kept.told, {});
});

test('after signing out what waits stays, and no word of what it is about', () => {
  assert.equal(withoutSecrets({ ...nothing(), log: { names: { spots: ['Reed Corner'] } } }), null);
  const refused = { id: 'r', entry: { id: 'r', type: 'void' }, words: 'Keep the fish of Reed Corner', message: 'no' };
  const kept = {
    ...nothing(),
    log: { brief: 'Secret open' },
    plan: { stay: { act: 'Go: Reed Corner' } },
    unsent: [{ id: 'u', type: 'catch' }],
    refused: [refused],
    clashes: [{ words: 'Reed Corner' }],
  };
  assert.equal(waiting(kept), 2);
  const stays = withoutSecrets(kept);
  assert.equal(waiting(stays), 2);
  assert.doesNotMatch(JSON.stringify(stays), /Reed Corner|Secret/);
});
