// Everything captured goes through the queue; what the server has to look at first is asked of it.
import { hand, TOO_SOON } from './hand.js';
import { keeping, line, say } from './line.js';
import { $, $$, day, keyOf, sectionsOf, study } from './page.js';
import { refresh } from './sheet.js';
import { choose, show } from './steps.js';

const queue = window.evenSheenQueue;
const { learn } = window.evenSheenClock;
const path = (form) => form.action.replace(location.origin, '');

export const fieldsOf = (form, button) => {
  const fields = Object.fromEntries([...new FormData(form)].filter(([, value]) => typeof value === 'string'));
  if (button?.name) fields[button.name] = button.value;
  return fields;
};

// A reading's numbers are its form's decimal fields; one that is made by a tap has none.
const blank = (form, fields) => {
  const typed = $$('input[inputmode=decimal]', form).filter((i) => i.name !== 'ph').map((i) => i.value.trim());
  return fields.measure && typed.length > 0 && typed.every((n) => n === '')
    ? 'Type the reading first, or take it with an instrument.'
    : '';
};

const keep = async (url, fields, what, step) => {
  const key = keyOf(step);
  hand.done.begin(key, Date.now());
  keeping();
  show(true);
  try {
    await queue.add(url, fields.measure !== undefined ? { ...fields, step: key } : fields, what);
    hand.done.queued(key);
  } catch (refused) {
    hand.done.takeBack(key);
    choose(key);
    return say(`This browser could not keep it: ${refused?.message ?? 'its store is shut'}. It is still in the field; write it down too.`);
  }
  Object.keys(sessionStorage).filter((k) => k.startsWith(`draft:run/${study}/${day}/${key}:`)).forEach((k) => sessionStorage.removeItem(k));
  return undefined;
};

const ask = async (form, url, fields, what, step) => {
  const wrong = $('.wrong.local', form);
  keeping();
  try {
    const answer = await fetch(url, { method: 'POST', body: new URLSearchParams(fields), headers: { Accept: 'application/json' } });
    if (answer.ok) {
      const { said: words, now } = await answer.json();
      learn(now);
      form.reset();
      await refresh();
      queue.flush();
      return say(words);
    }
    if (answer.status >= 500) throw new Error('the server is in trouble');
    const problem = await answer.json();
    $$('[aria-invalid]', form).forEach((i) => i.removeAttribute('aria-invalid'));
    Object.keys(problem.problems ?? {}).forEach((name) => form.elements[name]?.setAttribute?.('aria-invalid', 'true'));
    wrong.textContent = problem.detail;
    wrong.hidden = false;
    queue.flush();
    ($('[aria-invalid=true]', form) ?? form).focus?.();
  } catch {
    await keep(url, fields, what, step);
  }
  return undefined;
};

const take = async (form, fields) => {
  const step = form.closest('.step');
  const wrong = $('.wrong.local', form);
  const problem = blank(form, fields);
  wrong.hidden = !problem;
  wrong.textContent = problem;
  if (problem) return $('[data-main]', form)?.focus();
  const url = form.dataset.capture ?? path(form);
  const where = sectionsOf(step).length ? ` on ${sectionsOf(step).join(', ')}` : '';
  const what = `${step.dataset.title}${where}${fields.amount ? `, ${fields.amount}` : ''}`;
  hand.chosen = null;
  // A form that the server has to look at first is waited for; it stays where it is until it is right.
  const looked = ['conditions', 'check', 'gate'].includes(step.dataset.kind);
  return looked && !line.offline ? ask(form, url, fields, what, step) : keep(url, fields, what, step);
};

const other = async (form, fields) => {
  const note = form.matches('[data-note]');
  if (note && !fields.words?.trim()) return say('Say what it was, or tap one of the words.');
  await queue.add(path(form), note ? { ...fields, key: crypto.randomUUID() } : fields, fields.words ?? 'Undo', undefined);
  if (note) form.reset();
  return undefined;
};

export const watchForms = () => {
  document.addEventListener('submit', (event) => {
    const form = event.target;
    if (!form.closest('#sheet') || form.matches('[data-plain]')) return undefined;
    event.preventDefault();
    const meant = !hand.byTap || Date.now() - hand.changed >= TOO_SOON || $('[data-main]', form)?.value;
    if (form.matches('.take') && !meant) return undefined;
    const fields = fieldsOf(form, event.submitter);
    return form.matches('.take') ? take(form, fields) : other(form, fields);
  });
  // Photos are kept like everything else: first here, then there.
  document.addEventListener('change', async (event) => {
    const form = event.target.closest('[data-photo]');
    const file = form && event.target.files?.[0];
    if (!file) return;
    await queue.add(path(form), { ...fieldsOf(form), key: crypto.randomUUID() }, 'A photo', file);
    form.reset();
    show(false);
  });
};
