// What the hand is at: the step that it chose, what it has done, and whether a finger is down.
import { Done } from './done.js';
import { keyOf, sectionsOf } from './page.js';

const clock = window.evenSheenClock;

export const hand = {
  done: new Done(),
  chosen: null,
  shown: null,
  // When the step under the thumb last changed by itself: a tap that was meant for the one before must not take it.
  changed: 0,
  pressing: false,
  byTap: false,
};
export const TOO_SOON = 450;

// A step as order.js knows it.
export const told = (step) => ({
  element: step,
  key: keyOf(step),
  next: step.dataset.next === 'true',
  after: step.dataset.after,
  low: Number(step.dataset.low),
  high: Number(step.dataset.high),
  opens: Number(step.dataset.opens),
  closes: Number(step.dataset.closes),
  sections: sectionsOf(step),
});

// Marks made here are in this device's time; windows are in the server's.
export const marks = {
  has: (key) => hand.done.has(key),
  get: (key) => { const at = hand.done.get(key); return at && clock.here(at); },
};
