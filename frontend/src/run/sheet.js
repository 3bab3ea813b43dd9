// What the sheet says is fetched afresh when something was kept here or elsewhere, unless a hand is typing.
import { hand } from './hand.js';
import { sayAgain, line } from './line.js';
import { $, $$, current, day, run, study } from './page.js';
import { show } from './steps.js';

const { learn } = window.evenSheenClock;
const TYPED = ['air', 'humidity', 'panel', 'said', 'given', 'before', 'after', 'ph', 'note', 'used'];
const sheet = { revision: Number($('#sheet')?.dataset.revision), seen: 0, wanted: false, fetching: false, asked: 0 };

// What was typed, counted or taken for the step in hand is not swept away, nor is a note that is being written.
const typing = () => {
  const step = current();
  const begun = step && $$('input:not([type=radio]), .grade-board select', step)
    .some((i) => (i.tagName === 'SELECT' || i.inputMode === 'decimal' || TYPED.includes(i.name)) && i.value !== '');
  const noting = document.activeElement?.closest?.('[data-note], .more, [data-photo]') && document.activeElement.value;
  return begun || noting || hand.pressing || $('[data-take].htmx-request');
};

export const refresh = async () => {
  if (sheet.fetching || typing()) {
    sheet.wanted = true;
    return;
  }
  sheet.fetching = true;
  sheet.wanted = false;
  sheet.asked = Date.now();
  try {
    await htmx.ajax('GET', `/studies/${study}/run?day=${day}`, { target: '#sheet', swap: 'outerHTML' });
  } catch { /* said where the line is shown */ } finally {
    sheet.fetching = false;
  }
};

// Another device's work is seen at once.
export const changedElsewhere = (revision) => {
  sheet.seen = Math.max(sheet.seen, revision);
  if (sheet.seen > sheet.revision) refresh();
};

export const watchSheet = () => {
  setInterval(() => { if (sheet.wanted || sheet.seen > sheet.revision) refresh(); }, 400);
  // While something runs, the order is asked for anew: hands that fall behind get another.
  setInterval(() => { if ($('.clock') && !document.hidden && !line.offline && !hand.done.size) refresh(); }, 10000);
  // What was opened stays open.
  let opened = [];
  const nameOf = (details) => `${details.closest('.step')?.dataset.step} ${$('summary', details).textContent}`;
  document.addEventListener('htmx:beforeSwap', (event) => {
    if (event.target.id !== 'sheet') return;
    if (typing()) {
      event.detail.shouldSwap = false;
      sheet.wanted = true;
      return;
    }
    opened = $$('details[open]').map(nameOf);
    run.setAttribute('data-changed', '');
  });
  // At once, before it is painted: the step that the server thinks of may not be the one in hand.
  document.addEventListener('htmx:afterSwap', (event) => {
    if (event.target.id !== 'sheet') return;
    learn(Number(event.target.dataset.now));
    $$('details').filter((details) => opened.includes(nameOf(details))).forEach((details) => { details.open = true; });
    hand.done.sheet(sheet.asked);
    sheet.revision = Math.max(sheet.revision, Number(event.target.dataset.revision));
    sayAgain();
    show('by itself');
  });
};
