// Taps and keys.
import { hand } from './hand.js';
import { $, $$, current, keyOf, sectionsOf } from './page.js';
import { choose, go, open } from './steps.js';

const chooseSection = (code) => {
  const step = open().find((s) => sectionsOf(s).includes(code));
  choose(step ? keyOf(step) : hand.chosen);
};

const count = (tally) => {
  const figure = $('[data-count]', tally);
  figure.textContent = Number(figure.textContent) + 1;
  tally.closest('form').elements.given.value = figure.textContent;
  navigator.vibrate?.(20);
};

const tap = (event) => {
  const at = (selector) => event.target.closest(selector);
  if (at('[data-goto]')) return choose(at('[data-goto]').dataset.goto);
  if (at('[data-move]')) return go(Number(at('[data-move]').dataset.move));
  if (at('[data-section]')) {
    event.preventDefault();
    return chooseSection(at('[data-section]').dataset.section);
  }
  return at('[data-tally]') ? count(at('[data-tally]')) : undefined;
};

const key = (event) => {
  if (event.ctrlKey || event.metaKey || event.altKey || $('dialog[open]')) return;
  const inField = event.target.matches('input:not([type=radio]):not([type=hidden]), select, textarea');
  const empty = inField && event.target.value === '';
  const step = current();
  if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
    if (event.target.matches('select, [type=radio]')) return;
    event.preventDefault();
    go(event.key === 'ArrowDown' ? 1 : -1);
  } else if (event.key === 'Enter' && !inField && !event.target.closest('button, a, summary')) {
    event.preventDefault();
    $('[data-main-button]', step)?.click();
  } else if (event.key === '+' && $('[data-tally]', step)) {
    event.preventDefault();
    $('[data-tally]', step).click();
  } else if (/^[a-z]$/i.test(event.key) && (!inField || (empty && event.target.matches('[data-main]')))) {
    const patch = $(`[data-section="${event.key.toUpperCase()}"]`);
    if (patch) {
      event.preventDefault();
      patch.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
    }
  }
};

// What an instrument gave pushes the button down; it is brought back under the thumb.
const taken = (event) => {
  if (!event.target.matches?.('.taken')) return;
  const form = event.target.closest('form');
  const main = $('[data-main-button]', form);
  main?.scrollIntoView({ block: 'nearest' });
  // The button that asked was shut meanwhile and lost the keyboard: it goes on where the hand wants to.
  const asker = event.detail.requestConfig?.elt;
  const place = asker?.closest('details') ?? null;
  const wanting = $$('.airs input', form).some((i) => i.value === '' && i.closest('details') === place);
  const next = wanting ? asker?.nextElementSibling ?? asker : main;
  // The browser takes the focus off a button that is shut only when it paints, so the button may still seem to have it.
  setTimeout(() => { if ([document.body, asker].includes(document.activeElement)) next?.focus({ preventScroll: true }); }, 30);
};

export const watchHands = () => {
  // Nothing moves under a thumb that is down.
  const lifted = () => setTimeout(() => { hand.pressing = false; }, 60);
  document.addEventListener('pointerup', lifted, true);
  document.addEventListener('pointercancel', lifted, true);
  document.addEventListener('pointerdown', () => { hand.byTap = true; hand.pressing = true; }, true);
  document.addEventListener('keydown', () => { hand.byTap = false; }, true);
  document.addEventListener('click', tap);
  document.addEventListener('keydown', key);
  document.addEventListener('htmx:afterSettle', taken);
};
