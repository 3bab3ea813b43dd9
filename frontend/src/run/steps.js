// One step at a time: which is shown, and what of the page is lit for it.
import { hand, marks, told, TOO_SOON } from './hand.js';
import { along, left, next } from './order.js';
import { $, $$, current, keyOf, run, sectionsOf, steps } from './page.js';
import { tick } from './count.js';

export const open = () => left(steps().map(told), marks).map((step) => step.element);

export const show = (focus) => {
  const step = open().find((s) => keyOf(s) === hand.chosen) ?? next(steps().map(told), marks)?.element;
  if (step && keyOf(step) !== hand.shown) {
    hand.changed = focus === 'by itself' ? Date.now() : 0;
    if (hand.changed) setTimeout(() => run.removeAttribute('data-changed'), TOO_SOON);
  }
  run.toggleAttribute('data-changed', Date.now() - hand.changed < TOO_SOON);
  hand.shown = step && keyOf(step);
  steps().forEach((s) => { s.hidden = s !== step; });
  const lit = step ? sectionsOf(step) : [];
  const everywhere = step?.dataset.kind === 'task' && !lit.length;
  $$('[data-section]').forEach((a) => a.classList.toggle('open', everywhere || lit.includes(a.dataset.section)));
  const where = lit.length === 1 ? lit[0] : '';
  $$('[data-note] [name=section], [data-photo] [name=section]').forEach((input) => { input.value = where; });
  $$('[data-note-where]').forEach((b) => { b.textContent = where || 'the whole bed'; });
  if (step && focus && (focus !== 'by itself' || !document.activeElement || document.activeElement === document.body)) {
    const field = $('[data-main], .airs input, .looks button, [data-main-button]', step) ?? step;
    if (window.matchMedia('(min-width: 900px)').matches) field.focus({ preventScroll: true });
    else step.focus({ preventScroll: true });
  }
  tick();
  return step;
};

export const choose = (key) => {
  hand.chosen = key;
  return show(true);
};

export const go = (by) => {
  const to = by === 0 ? undefined : along(steps().map(told), marks, current() && keyOf(current()), by);
  return choose(to ? to.key : null);
};
