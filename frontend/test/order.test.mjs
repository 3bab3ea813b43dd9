import assert from 'node:assert/strict';
import { test } from 'node:test';
import { along, left, next, times } from '../src/run/order.js';

const step = (key, more = {}) => ({ key, next: false, ...more });
const sheet = [step('coat1/A/spread'), step('coat1/B/spread', { next: true }), step('coat1/A/finish'), step('read/A')];
const done = (...keys) => new Map(keys.map((key) => [key, 1000]));

test('the step that the server calls next is in hand, wherever it stands', () => {
  assert.equal(next(sheet, done()).key, 'coat1/B/spread');
});

test('when that is done here, the first that is left follows in the server’s order, and nothing is worked out here', () => {
  assert.equal(next(sheet, done('coat1/B/spread')).key, 'coat1/A/spread');
  assert.equal(next(sheet, done('coat1/B/spread', 'coat1/A/spread')).key, 'coat1/A/finish');
  assert.equal(next(sheet, done(...sheet.map((s) => s.key))), undefined);
});

test('later and earlier go round and round among what is left', () => {
  const some = done('coat1/B/spread');
  assert.deepEqual(left(sheet, some).map((s) => s.key), ['coat1/A/spread', 'coat1/A/finish', 'read/A']);
  assert.equal(along(sheet, some, 'read/A', 1).key, 'coat1/A/spread');
  assert.equal(along(sheet, some, 'coat1/A/spread', -1).key, 'read/A');
  assert.equal(along(sheet, some, 'coat1/B/spread', 1).key, 'coat1/A/spread', 'from one that is gone');
  assert.equal(along([], some, 'x', 1), undefined);
});

test('a window counts from when the step before it was done here, until the server knows better', () => {
  const finish = step('coat1/A/finish', { after: 'coat1/A/spread', low: 60, high: 180, opens: 5, closes: 6 });
  assert.deepEqual(times(finish, done('coat1/A/spread')), { opens: 61_000, closes: 181_000 });
  assert.deepEqual(times(finish, done()), { opens: 5, closes: 6 });
  assert.deepEqual(times({ ...finish, high: NaN }, done('coat1/A/spread')), { opens: 5, closes: 6 }, 'no wait on the label');
});
