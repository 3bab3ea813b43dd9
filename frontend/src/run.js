// The run sheet in the hand: one step at a time, clocks that count by the server's time, and a queue that needs no connection. What
// comes next, when and why is worked out by the server; without it the last known order is followed.
(() => {
  const $ = (selector, from = document) => from.querySelector(selector);
  const $$ = (selector, from = document) => [...from.querySelectorAll(selector)];
  const run = $('#run');
  if (!run) return;
  const queue = window.evenSheenQueue;
  const { study, day } = run.dataset;
  const mine = (item) => item.url.startsWith(`/studies/${study}/`) && item.fields.day === day;

  const { learn, now: serverNow, here, span, state, words, draw } = window.evenSheenClock;

  // Steps.
  let chosen = null;
  let shown = null;
  // When the step under the thumb last changed by itself: a tap that was meant for the one before must not take it.
  let changed = 0;
  const TOO_SOON = 450;
  let local = new Map();
  const acknowledged = new Map();
  const steps = () => $$('.step');
  const keyOf = (step) => step.dataset.step;
  const sectionsOf = (step) => (step.dataset.sections ?? '').split(' ').filter(Boolean);
  const open = () => steps().filter((step) => !local.has(keyOf(step)));
  const times = (step) => {
    const { low, high, after } = step.dataset;
    const mark = after && local.get(after);
    return mark && high
      ? { opens: here(mark) + low * 1000, closes: here(mark) + high * 1000 }
      : { opens: Number(step.dataset.opens), closes: Number(step.dataset.closes) };
  };
  const next = () => {
    const left = open();
    if (!local.size) return left.find((s) => s.dataset.next === 'true') ?? left[0];
    const now = serverNow();
    const ready = (s) => times(s).opens <= now;
    const pressing = left.filter((s) => s.dataset.kind === 'finish' && local.has(s.dataset.after) && ready(s));
    return pressing[0] ?? (left[0] && (ready(left[0]) ? left[0] : left.find(ready) ?? left[0]));
  };
  const show = (focus) => {
    const current = open().find((s) => keyOf(s) === chosen) ?? next();
    if (current && keyOf(current) !== shown) {
      changed = focus === 'by itself' ? Date.now() : 0;
      if (changed) setTimeout(() => run.removeAttribute('data-changed'), TOO_SOON);
    }
    run.toggleAttribute('data-changed', Date.now() - changed < TOO_SOON);
    shown = current && keyOf(current);
    steps().forEach((s) => { s.hidden = s !== current; });
    const lit = current ? sectionsOf(current) : [];
    const everywhere = current?.dataset.kind === 'task' && !lit.length;
    $$('[data-section]').forEach((a) => a.classList.toggle('open', everywhere || lit.includes(a.dataset.section)));
    const where = lit.length === 1 ? lit[0] : '';
    $$('[data-note] [name=section], [data-photo] [name=section]').forEach((input) => { input.value = where; });
    $$('[data-note-where]').forEach((b) => { b.textContent = where || 'the whole bed'; });
    if (current && focus && (focus !== 'by itself' || !document.activeElement || document.activeElement === document.body)) {
      const field = $('[data-main], .airs input, .looks button, [data-main-button]', current) ?? current;
      if (window.matchMedia('(min-width: 900px)').matches) field.focus({ preventScroll: true });
      else current.focus({ preventScroll: true });
    }
    tick();
    return current;
  };
  const current = () => steps().find((s) => !s.hidden);
  const go = (by) => {
    const left = open();
    const at = left.indexOf(current());
    chosen = by === 0 || !left.length ? null : keyOf(left[(at + by + left.length) % left.length]);
    show(true);
  };

  // Clocks.
  const said = new Set(JSON.parse(sessionStorage.getItem('rung') ?? '[]'));
  let sound;
  let byTap = false;
  // Nothing moves under a thumb that is down.
  let pressing = false;
  const lifted = () => setTimeout(() => { pressing = false; }, 60);
  document.addEventListener('pointerup', lifted, true);
  document.addEventListener('pointercancel', lifted, true);
  document.addEventListener('pointerdown', () => { byTap = true; pressing = true; }, true);
  document.addEventListener('keydown', () => { byTap = false; }, true);
  document.addEventListener('pointerdown', () => {
    sound ??= new AudioContext();
    navigator.wakeLock?.request('screen').catch(() => {});
  }, { once: true });
  const ring = (key, high) => {
    if (said.has(key)) return;
    said.add(key);
    sessionStorage.setItem('rung', JSON.stringify([...said].slice(-200)));
    if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.(high ? [200, 100, 200] : [120]);
    run.dispatchEvent(new CustomEvent('rung', { detail: key }));
    refresh();
    if (!sound) return;
    const tone = sound.createOscillator();
    const gain = sound.createGain();
    tone.frequency.value = high ? 1320 : 880;
    gain.gain.setValueAtTime(0.25, sound.currentTime);
    gain.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + 0.7);
    tone.connect(gain).connect(sound.destination);
    tone.start();
    tone.stop(sound.currentTime + 0.7);
  };
  const CLOSE = 15000;
  const tick = () => {
    const now = serverNow();
    const clocks = $('#clocks');
    $$('.clock[data-local]', clocks).forEach((c) => { if (!steps().some((s) => keyOf(s) === c.dataset.goto) || local.has(c.dataset.goto)) c.parentElement.remove(); });
    steps().filter((s) => s.dataset.kind === 'finish' && local.has(s.dataset.after) && !local.has(keyOf(s))).forEach((s) => {
      if (clocks && !$(`.clock[data-goto="${CSS.escape(keyOf(s))}"]`, clocks)) {
        const { opens, closes } = times(s);
        const li = document.createElement('li');
        const button = Object.assign(document.createElement('button'), { type: 'button', className: 'clock' });
        Object.assign(button.dataset, { goto: keyOf(s), opens, closes, code: sectionsOf(s).join(' '), local: '' });
        const tag = Object.assign(document.createElement('span'), { className: 'tag', textContent: sectionsOf(s).join(' ') });
        button.append(tag, ` ${s.dataset.title.split(' ')[0]} `, Object.assign(document.createElement('b'), { className: 'figure left' }));
        li.append(button);
        clocks.append(li);
      }
    });
    $$('.clock').forEach((clock) => {
      const { is, opens, closes } = draw(clock);
      clock.parentElement.hidden = local.has(clock.dataset.goto);
      if (is === 'open') ring(`${clock.dataset.goto}@${opens} opens`, false);
      if (is === 'open' && closes && closes - now < CLOSE) ring(`${clock.dataset.goto}@${opens} closes`, true);
    });
    const step = current();
    const down = step && $('.count-down', step);
    if (!down) return;
    const { opens, closes } = times(step);
    const is = state(opens, closes, now);
    down.hidden = !(opens > now || closes);
    down.dataset.state = is;
    down.textContent = down.hidden ? '' : is === 'waits' && step.dataset.kind !== 'finish' ? `by the plan ${words.waits(opens, closes, now)}` : words[is](opens, closes, now);
    const main = $('[data-main-button]', step);
    if (main && step.dataset.kind === 'finish') {
      main.dataset.label ??= main.textContent;
      main.textContent = is === 'waits' ? `${main.dataset.label}: ${span(opens - now)} early` : is === 'late' ? `${main.dataset.label}: late` : main.dataset.label;
      main.classList.toggle('off', is !== 'open');
    }
  };
  setInterval(tick, 250);
  // While something runs, the order is asked for anew: hands that fall behind get another.
  setInterval(() => { if ($('.clock') && !document.hidden && !offline && !local.size) refresh(); }, 10000);

  // What the sheet says is fetched afresh when something was kept here or elsewhere, unless a hand is typing.
  let revision = Number($('#sheet').dataset.revision);
  let seen = 0;
  let wanted = false;
  let fetching = false;
  let asked = 0;
  // What was typed, counted or taken for the step in hand is not swept away, nor is a note that is being written.
  const typing = () => {
    const step = current();
    const begun = step && $$('input:not([type=radio]), .grade-board select', step).some((i) => (i.tagName === 'SELECT' || i.inputMode === 'decimal' || ['air', 'humidity', 'panel', 'said', 'given', 'before', 'after', 'ph', 'note', 'used'].includes(i.name)) && i.value !== '');
    const noting = document.activeElement?.closest?.('[data-note], .more, [data-photo]') && document.activeElement.value;
    return begun || noting || pressing || $('[data-take].htmx-request');
  };
  const refresh = async () => {
    if (fetching || typing()) {
      wanted = true;
      return;
    }
    fetching = true;
    wanted = false;
    asked = Date.now();
    try {
      await htmx.ajax('GET', `/studies/${study}/run?day=${day}`, { target: '#sheet', swap: 'outerHTML' });
    } catch { /* said where the line is shown */ } finally {
      fetching = false;
    }
  };
  setInterval(() => { if (wanted || seen > revision) refresh(); }, 400);
  // What was opened stays open.
  let opened = [];
  const nameOf = (details) => `${details.closest('.step')?.dataset.step} ${$('summary', details).textContent}`;
  document.addEventListener('htmx:beforeSwap', (event) => {
    if (event.target.id !== 'sheet') return;
    if (!typing()) {
      opened = $$('details[open]').map(nameOf);
      return run.setAttribute('data-changed', '');
    }
    event.detail.shouldSwap = false;
    wanted = true;
    return undefined;
  });
  // At once, before it is painted: the step that the server thinks of may not be the one in hand.
  document.addEventListener('htmx:afterSwap', (event) => {
    if (event.target.id !== 'sheet') return;
    learn(Number(event.target.dataset.now));
    $$('details').filter((details) => opened.includes(nameOf(details))).forEach((details) => { details.open = true; });
    [...acknowledged].filter(([, { since }]) => since <= asked).forEach(([key]) => {
      acknowledged.delete(key);
      local.delete(key);
    });
    revision = Math.max(revision, Number(event.target.dataset.revision));
    sayAgain();
    show('by itself');
  });

  // The line, and what waits or was not taken.
  let offline = false;
  let trouble = 'No connection.';
  const line = $('#line');
  const waiting = $('#waiting');
  queue.listen((items, event) => {
    const here = items.filter(mine);
    const left = items.filter(queue.waits);
    const refused = here.filter((i) => !queue.waits(i));
    trouble = event.trouble ?? trouble;
    offline = event.broke ?? (left.length > 0 && offline);
    const before = local.size;
    const waits = new Map(here.filter((i) => queue.waits(i) && i.fields.step && i.fields.what !== 'undo').map((i) => [i.fields.step, i.at]));
    // What the server has acknowledged stays done until a sheet that knows of it is here.
    if (event.said) [...local].filter(([key]) => !waits.has(key)).forEach(([key, at]) => acknowledged.set(key, { at, since: Date.now() }));
    local = new Map([...[...acknowledged].map(([key, { at }]) => [key, at]), ...waits]);
    refused.forEach((i) => local.delete(i.fields.step));
    line.textContent = left.length ? `${offline ? `${trouble} ` : ''}${left.length} kept on this device, not sent yet` : 'All is kept';
    line.dataset.state = offline ? 'off' : left.length ? 'sending' : 'on';
    waiting.hidden = !refused.length;
    waiting.replaceChildren(...refused.map((item) => window.evenSheenRefusal(item, keeping)));
    if (event.said?.now) learn(event.said.now);
    if (event.said?.said) say(event.said.said);
    if (before !== local.size || event.said) show(false);
    if (event.said && !left.length) refresh();
  });
  // A word stays for a while, also when the sheet is fetched afresh at once because of what it tells of.
  const STAYS = 8000;
  let word = { words: '', at: 0 };
  const say = (words) => {
    word = { words, at: Date.now() };
    sayAgain();
  };
  const sayAgain = () => {
    const box = $('.steps-slate .said');
    if (!box || !word.words || Date.now() - word.at > STAYS) return;
    box.textContent = word.words;
    box.hidden = false;
  };

  // Everything captured goes through the queue.
  const fieldsOf = (form, button) => {
    const fields = Object.fromEntries([...new FormData(form)].filter(([, value]) => typeof value === 'string'));
    if (button?.name) fields[button.name] = button.value;
    return fields;
  };
  // A reading's numbers are its form's decimal fields; one that is made by a tap has none.
  const numbers = (form) => $$('input[inputmode=decimal]', form).filter((i) => i.name !== 'ph').map((i) => i.value.trim());
  const blank = (form, fields) => {
    const typed = numbers(form);
    if (fields.measure && typed.length > 0 && typed.every((n) => n === '')) return 'Type the reading first, or take it with an instrument.';
    return '';
  };
  document.addEventListener('submit', async (event) => {
    const form = event.target;
    if (!form.closest('#sheet') || form.matches('[data-plain]')) return;
    event.preventDefault();
    if (form.matches('.take') && byTap && Date.now() - changed < TOO_SOON && !$('[data-main]', form)?.value) return;
    const fields = fieldsOf(form, event.submitter);
    if (form.matches('.take')) {
      const step = form.closest('.step');
      const wrong = $('.wrong.local', form);
      const problem = blank(form, fields);
      wrong.hidden = !problem;
      wrong.textContent = problem;
      if (problem) return $('[data-main]', form)?.focus();
      const url = form.dataset.capture ?? form.action.replace(location.origin, '');
      const what = `${step.dataset.title}${sectionsOf(step).length ? ` on ${sectionsOf(step).join(', ')}` : ''}${fields.amount ? `, ${fields.amount}` : ''}`;
      chosen = null;
      // A form that the server has to look at first is waited for; it stays where it is until it is right.
      if (['conditions', 'check', 'gate'].includes(step.dataset.kind) && !offline) return ask(form, url, fields, what, step);
      await keep(url, fields, what, step);
    } else {
      const url = form.action.replace(location.origin, '');
      if (form.matches('[data-note]') && !fields.words?.trim()) return say('Say what it was, or tap one of the words.');
      fields.key = form.matches('[data-note]') ? crypto.randomUUID() : fields.key;
      await queue.add(url, fields, fields.words ?? 'Undo', undefined);
      if (form.matches('[data-note]')) form.reset();
    }
  });
  const keeping = () => {
    word.words = '';
    line.dataset.state = 'sending';
    line.textContent = 'Keeping it …';
  };
  const keep = async (url, fields, what, step) => {
    const reading = fields.measure !== undefined;
    const key = keyOf(step);
    local.set(key, Date.now());
    // Until it is in the queue nothing that the queue says of others may bring the step back.
    acknowledged.set(key, { at: Date.now(), since: Infinity });
    keeping();
    show(true);
    try {
      await queue.add(url, reading ? { ...fields, step: key } : fields, what);
      acknowledged.delete(key);
    } catch (refused) {
      acknowledged.delete(key);
      local.delete(key);
      chosen = key;
      show(true);
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
  };

  // What an instrument gave pushes the button down; it is brought back under the thumb.
  document.addEventListener('htmx:afterSettle', (event) => {
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
  });

  // Taps and keys.
  document.addEventListener('click', (event) => {
    const goto = event.target.closest('[data-goto]');
    if (goto) {
      chosen = goto.dataset.goto;
      return show(true);
    }
    const move = event.target.closest('[data-move]');
    if (move) return go(Number(move.dataset.move));
    const section = event.target.closest('[data-section]');
    if (section) {
      event.preventDefault();
      const step = open().find((s) => sectionsOf(s).includes(section.dataset.section));
      if (step) chosen = keyOf(step);
      return show(true);
    }
    const tally = event.target.closest('[data-tally]');
    if (tally) {
      const count = $('[data-count]', tally);
      count.textContent = Number(count.textContent) + 1;
      tally.closest('form').elements.given.value = count.textContent;
      navigator.vibrate?.(20);
    }
    return undefined;
  });
  document.addEventListener('keydown', (event) => {
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
  });

  // Photos are kept like everything else: first here, then there.
  document.addEventListener('change', async (event) => {
    const form = event.target.closest('[data-photo]');
    const file = form && event.target.files?.[0];
    if (!file) return;
    await queue.add(form.action.replace(location.origin, ''), { ...fieldsOf(form), key: crypto.randomUUID() }, 'A photo', file);
    form.reset();
    show(false);
  });

  // Another device's work is seen at once; a line that was cut is taken up again by the browser itself.
  window.evenSheenWatch(study, (now) => {
    seen = Math.max(seen, now);
    if (seen > revision) refresh();
  });

  if ('serviceWorker' in navigator) {
    navigator.serviceWorker.register('/offline.js').then(() => navigator.serviceWorker.ready).then((worker) => {
      const needed = performance.getEntriesByType('resource').map((r) => r.name).filter((name) => name.startsWith(`${location.origin}/assets/`));
      worker.active?.postMessage({ keep: [...new Set([location.href, `${location.origin}/`, ...needed])] });
    }).catch(() => {});
  }
  queue.flush();
  show(true);
})();
