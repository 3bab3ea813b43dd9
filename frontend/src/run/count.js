// Clocks: those of the server, and one for each window that was opened here and that it has not heard of yet.
import { ring } from './bell.js';
import { hand, marks, told } from './hand.js';
import { times } from './order.js';
import { $, $$, current, keyOf, sectionsOf, steps } from './page.js';

const { now: serverNow, span, state, words, draw } = window.evenSheenClock;
const CLOSE = 15000;

const made = (tag, has) => Object.assign(document.createElement(tag), has);

const localClock = (step) => {
  const { opens, closes } = times(told(step), marks);
  const code = sectionsOf(step).join(' ');
  const button = made('button', { type: 'button', className: 'clock' });
  Object.assign(button.dataset, { goto: keyOf(step), opens, closes, code, local: '' });
  const tag = made('span', { className: 'tag', textContent: code });
  button.append(tag, ` ${step.dataset.title.split(' ')[0]} `, made('b', { className: 'figure left' }));
  const line = document.createElement('li');
  line.append(button);
  return line;
};

const localClocks = () => {
  const clocks = $('#clocks');
  $$('.clock[data-local]', clocks)
    .filter((c) => !steps().some((s) => keyOf(s) === c.dataset.goto) || marks.has(c.dataset.goto))
    .forEach((c) => c.parentElement.remove());
  steps()
    .filter((s) => s.dataset.kind === 'finish' && marks.has(s.dataset.after) && !marks.has(keyOf(s)))
    .filter((s) => clocks && !$(`.clock[data-goto="${CSS.escape(keyOf(s))}"]`, clocks))
    .forEach((s) => clocks.append(localClock(s)));
};

const countDown = (step, now) => {
  const down = step && $('.count-down', step);
  if (!down) return;
  const { opens, closes } = times(told(step), marks);
  const is = state(opens, closes, now);
  const finish = step.dataset.kind === 'finish';
  down.hidden = !(opens > now || closes);
  down.dataset.state = is;
  const counted = words[is](opens, closes, now);
  down.textContent = down.hidden ? '' : is === 'waits' && !finish ? `by the plan ${counted}` : counted;
  const main = $('[data-main-button]', step);
  if (!main || !finish) return;
  main.dataset.label ??= main.textContent;
  const { label } = main.dataset;
  main.textContent = is === 'waits' ? `${label}: ${span(opens - now)} early` : is === 'late' ? `${label}: late` : label;
  main.classList.toggle('off', is !== 'open');
};

export const tick = () => {
  const now = serverNow();
  localClocks();
  $$('.clock').forEach((clock) => {
    const { is, opens, closes } = draw(clock);
    clock.parentElement.hidden = hand.done.has(clock.dataset.goto);
    if (is === 'open') ring(`${clock.dataset.goto}@${opens} opens`, false);
    if (is === 'open' && closes && closes - now < CLOSE) ring(`${clock.dataset.goto}@${opens} closes`, true);
  });
  countDown(current(), now);
};
