import assert from 'node:assert/strict';
import { test } from 'node:test';
import { Done } from '../src/run/done.js';

const waiting = (...keys) => new Map(keys.map((key) => [key, 10]));

test('what was tapped is done at once, and what the queue says of others does not bring it back', () => {
  const done = new Done();
  done.begin('a', 10);
  done.waits(waiting(), true, 20);
  done.sheet(30);
  assert.ok(done.has('a'));
  assert.equal(done.get('a'), 10);
});

test('what was acknowledged stays done until a sheet is here that was asked for after it', () => {
  const done = new Done();
  done.begin('a', 10);
  done.waits(waiting('a'), false, 11);
  done.queued('a');
  done.waits(waiting(), true, 20);
  done.sheet(19);
  assert.ok(done.has('a'), 'that sheet did not know of it');
  done.sheet(20);
  assert.ok(!done.has('a'), 'now the sheet says how it stands');
});

test('what the queue could not take, or the server refused, is open again', () => {
  const done = new Done();
  done.begin('a', 10);
  done.takeBack('a');
  assert.equal(done.size, 0);
  done.waits(waiting('b', 'c'), false, 11);
  done.takeBack('b');
  assert.deepEqual([done.has('b'), done.has('c'), done.size], [false, true, 1]);
});

test('without a word of the server nothing counts as acknowledged', () => {
  const done = new Done();
  done.waits(waiting('a'), false, 11);
  done.waits(waiting(), false, 12);
  assert.ok(!done.has('a'), 'dropped from the queue by hand');
});
