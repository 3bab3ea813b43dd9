// The afternoon without waiting for the server: one step at a time, every answer into the browser's own store first. Which steps there are
// and in which order is the server's to say; here it is only known which were answered.
(() => {
  const main = document.getElementById('now');
  const queue = window.evenSheenQueue;
  if (!main || !queue) return;
  const $ = (selector, from = document) => from.querySelector(selector);
  const id = main.dataset.id;
  const said = `/compare/${id}/said`;
  const photos = `/compare/${id}/photos`;
  const steps = [...main.querySelectorAll('[data-step]')];
  const over = $('#over');
  const done = new Set(steps.filter((s) => s.dataset.done === 'true').map((s) => s.dataset.step));
  let here = steps.find((s) => !s.hidden);
  // What only works from here on could not be used before.
  main.querySelectorAll(':disabled').forEach((control) => { control.disabled = false; });
  // What was answered a moment ago, in case the page was asked for before the answer had arrived.
  const MOMENT = 30000;
  const answered = `answered:${id}`;
  const lately = () => Object.entries(JSON.parse(sessionStorage.getItem(answered) ?? '{}')).filter(([, at]) => Date.now() - at < MOMENT);

  const light = (step) => {
    const at = (step?.dataset.places ?? '').split(' ');
    document.querySelectorAll('#picture [data-spot]').forEach((spot) => spot.classList.toggle('here', at.includes(spot.dataset.spot)));
  };
  const show = (step) => {
    steps.forEach((s) => { s.hidden = s !== step; });
    over.hidden = Boolean(step);
    here = step;
    const at = $('[data-at]');
    if (at && step) at.textContent = step.dataset.n;
    $('#picture').hidden = step?.classList.contains('is-marks') ?? false;
    light(step);
    (step ?? over).querySelector('h1').scrollIntoView({ block: 'nearest' });
  };
  // A look that does not show at once waits for its move, and then for its time; the server says when, or here it is counted from the tap.
  const dueAt = (step) => Number(step.dataset.due) || 0;
  const waits = (step) => dueAt(step) > Date.now();
  const next = () => show(steps.find((s) => !done.has(s.dataset.step) && !waits(s)));
  const follows = (key) => steps.filter((s) => s.dataset.base === key).forEach((s) => {
    const minutes = Number(s.dataset.minutes);
    s.dataset.due = String(minutes > 0 ? Date.now() + minutes * 60000 : Number.MAX_SAFE_INTEGER);
  });
  setInterval(() => {
    const soon = steps.filter((s) => !done.has(s.dataset.step) && dueAt(s) > 0).sort((a, b) => dueAt(a) - dueAt(b))[0];
    const clock = $('[data-next]');
    if (!soon || here) {
      clock.textContent = '';
      return;
    }
    const left = Math.round((dueAt(soon) - Date.now()) / 1000);
    if (left <= 0) next();
    else clock.textContent = left < 3600 ? `${$('h1', soon).textContent} In ${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}` : '';
  }, 500);

  // At a desk the sheet grows beside the steps, but not before the eyes of somebody who is to see codes only.
  const wide = window.matchMedia('(min-width: 60rem)');
  // What the server has drawn of the places, once it knows more.
  const redraw = async () => {
    const answer = await fetch(`/compare/${id}/picture`).catch(() => null);
    if (!answer?.ok) return;
    $('#picture').innerHTML = await answer.text();
    light(here);
    if (!wide.matches) return;
    const grown = await fetch(`/compare/${id}/growing`).catch(() => null);
    if (grown?.ok) $('#growing').innerHTML = await grown.text();
  };
  // A copy of this page as it stands now, for a reload without a line; what waits in the queue is known besides.
  let copying;
  const besides = new Set();
  const keepCopy = (...more) => {
    more.forEach((address) => besides.add(address));
    clearTimeout(copying);
    copying = setTimeout(() => navigator.serviceWorker?.ready.then((worker) => {
      worker.active?.postMessage({ keep: [`/compare/${id}`, ...besides] });
      besides.clear();
    }), 200);
  };
  const line = $('#line');
  // Somebody had answered before, on another phone: said until the next answer.
  let beside = '';
  queue.listen((items, event = {}) => {
    const mine = items.filter((item) => item.url === said || item.url === photos);
    const asked = done.has(here?.dataset.step);
    mine.filter((item) => item.url === said && queue.waits(item)).forEach((item) => {
      done.add(item.fields.step);
      const step = steps.find((s) => s.dataset.step === item.fields.step);
      if (step && item.fields.value === 'gone') leave(step);
    });
    // The page came from the server before an answer of this phone had reached it.
    if (here && !asked && done.has(here.dataset.step)) next();
    const stuck = mine.filter((item) => !queue.waits(item));
    const box = $('#waiting');
    box.hidden = stuck.length === 0;
    box.replaceChildren(...stuck.map((item) => window.evenSheenRefusal(item)));
    const waiting = mine.filter(queue.waits).length;
    beside = event.said?.beside || beside;
    line.textContent = waiting === 0 ? beside : `${waiting} kept here${event.trouble ? `. ${event.trouble}` : ''}`;
    if (event.said && waiting === 0 && afresh) window.location.assign(`/compare/${id}`);
    else if (event.said && waiting === 0) {
      redraw();
      keepCopy();
    }
  });

  // A place that is gone is off the ladder, and a step that nothing is left for is none.
  const leave = (step) => {
    const later = steps.slice(steps.indexOf(step) + 1);
    later.filter((s) => s.classList.contains('is-rung') && s.dataset.places === step.dataset.places).forEach((s) => done.add(s.dataset.step));
    later.filter((s) => s.classList.contains('is-do')).forEach((s) => {
      const next = steps.slice(steps.indexOf(s) + 1);
      const end = next.findIndex((n) => n.classList.contains('is-do'));
      if (next.slice(0, end < 0 ? undefined : end).every((n) => done.has(n.dataset.step))) done.add(s.dataset.step);
    });
  };
  // After this the server has another step to ask.
  let afresh = false;

  const knew = { value: sessionStorage.getItem(`knew:${id}`) ?? 'yes' };
  const knows = () => {
    $('#growing').hidden = knew.value === 'no';
    document.querySelectorAll('[data-knew]').forEach((b) => b.setAttribute('aria-pressed', String(knew.value === 'no')));
  };
  knows();

  const keep = (form, button) => {
    const fields = Object.fromEntries([...new FormData(form)].filter(([, value]) => typeof value === 'string' && value !== ''));
    if (button?.name) fields[button.name] = button.value;
    fields.knew = knew.value;
    const step = form.closest('[data-step]');
    fields.key = crypto.randomUUID();
    if (done.has(step.dataset.step)) delete fields.open;
    beside = '';
    queue.add(said, fields, $('h1', form).textContent);
    done.add(step.dataset.step);
    sessionStorage.setItem(answered, JSON.stringify({ ...Object.fromEntries(lately()), [step.dataset.step]: Date.now() }));
    if (fields.value !== 'skip') follows(step.dataset.step);
    if (fields.value === 'gone') leave(step);
    if (fields.value === 'paint') afresh = true;
    document.querySelector('[form=swap]')?.remove();
    next();
  };
  main.addEventListener('submit', (event) => {
    if (!event.target.matches('[data-step] form')) return;
    event.preventDefault();
    keep(event.target, event.submitter);
  });
  main.addEventListener('click', (event) => {
    const by = event.target.closest('[data-by]');
    if (by) {
      const input = $('input[name=value]', by.closest('.count'));
      input.value = String(Math.max(0, Number(input.value.replace(',', '.') || 0) + Number(by.dataset.by)));
      return;
    }
    if (event.target.closest('[data-knew]')) {
      knew.value = knew.value === 'no' ? 'yes' : 'no';
      sessionStorage.setItem(`knew:${id}`, knew.value);
      knows();
      return;
    }
    const watch = event.target.closest('[data-watch]');
    if (watch) {
      const input = $('input[name=value]', watch.closest('.count'));
      if (watch.dataset.since) {
        input.value = ((Date.now() - Number(watch.dataset.since)) / 1000).toFixed(1);
        delete watch.dataset.since;
        watch.textContent = 'Start the stopwatch again';
      } else {
        watch.dataset.since = String(Date.now());
        watch.textContent = 'Stop';
      }
      return;
    }
    const run = event.target.closest('[data-clock-of]');
    if (run) {
      const clock = run.closest('.stay');
      const key = clockKey(clock);
      const at = Number(localStorage.getItem(key));
      if (at) {
        const seconds = Math.round((Date.now() - at) / 1000);
        localStorage.removeItem(key);
        $('input', clock).value = seconds > LONGEST_CLOCK ? '' : String(seconds);
        if (seconds > LONGEST_CLOCK) $('[data-window]', clock).textContent = 'It was left running for hours, so it counts for nothing. Tap to start it again.';
      } else {
        localStorage.setItem(key, String(Date.now()));
        $('input', clock).value = '';
      }
      clocks();
      return;
    }
    if (event.target.closest('[data-back]')) {
      const before = steps[steps.indexOf(here) - 1];
      // What was answered before this page was made is the server's to show again.
      if (Number(before?.dataset.n) !== Number(here.dataset.n) - 1) return;
      event.preventDefault();
      done.delete(before.dataset.step);
      show(before);
    }
  });

  // A clock of its own for each place; it goes on through a reload. A clock that was left running says so instead of being taken for true.
  const LONGEST_CLOCK = 6 * 3600;
  const clockKey = (clock) => `clock:${id}:${$('input', clock).name}`;
  const clocks = () => main.querySelectorAll('.stay').forEach((clock) => {
    const at = Number(localStorage.getItem(clockKey(clock)));
    const stopped = Number($('input', clock).value);
    const seconds = at ? Math.round((Date.now() - at) / 1000) : stopped;
    const { least, most } = clock.dataset;
    $('[data-runs]', clock).textContent = seconds || at ? `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}` : 'start';
    clock.classList.toggle('runs', Boolean(at));
    clock.classList.toggle('ripe', Number(least) > 0 && seconds >= Number(least) && seconds <= Number(most));
    clock.classList.toggle('late', Number(most) > 0 && seconds > Number(most));
  });
  setInterval(clocks, 500);
  clocks();
  // What still runs when the step is done is stopped then.
  main.addEventListener('formdata', (event) => {
    event.target.querySelectorAll('.stay').forEach((clock) => {
      const at = Number(localStorage.getItem(clockKey(clock)));
      const seconds = Math.round((Date.now() - at) / 1000);
      if (at && seconds <= LONGEST_CLOCK) event.formData.set($('input', clock).name, String(seconds));
      if (at) localStorage.removeItem(clockKey(clock));
    });
  });

  // What a dose comes to, while it is written.
  let asking;
  main.addEventListener('input', (event) => {
    const place = event.target.dataset.dose;
    if (!place) return;
    clearTimeout(asking);
    const told = event.target.parentElement.querySelector('.told-dose');
    asking = setTimeout(async () => {
      const answer = await fetch(`/compare/${id}/dose?${new URLSearchParams({ place, text: event.target.value })}`).catch(() => null);
      told.textContent = answer?.ok ? (await answer.json()).told : '';
    }, 250);
  });
  main.addEventListener('change', (event) => {
    const place = event.target.dataset.photo;
    const file = event.target.files?.[0];
    if (!place || !file) return;
    queue.add(photos, { code: place, step: here.dataset.step, key: crypto.randomUUID() }, `Photo of ${place}`, file);
    event.target.value = '';
    event.target.parentElement.classList.add('taken');
  });

  // At the desk: the code or the level by its key, = for no difference, Enter for the large button.
  document.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest('input, select, button, a, summary, dialog[open]') || !(here ?? over)) return;
    const of = here ?? over;
    const key = event.key.toUpperCase();
    const hit = event.key === 'Enter'
      ? $('.button.wide', of)
      : [...of.querySelectorAll('.palm, .level')].find((b) => (b.value === 'same' ? key === '=' : b.value.toUpperCase() === key));
    if (hit) {
      event.preventDefault();
      hit.click();
    }
  });

  // Foam: a tap on a jar is the height at the call that is due; the clock runs from the first tap and survives a reload.
  document.querySelectorAll('.now-step.is-marks').forEach((step) => {
    const began = `foam:${id}:${step.dataset.step}`;
    const clock = $('[data-clock]', step);
    const fields = (code) => [...step.querySelectorAll(`[name^="foam/${code}/"]`)];
    const start = () => Number(localStorage.getItem(began));
    const minutes = () => (start() ? (Date.now() - start()) / 60000 : 0);
    const calls = [...new Set([...step.querySelectorAll('[data-call]')].map((f) => Number(f.dataset.call)))];
    const draw = (jar, mm) => {
      const { floor, mm: scale } = jar.dataset;
      const glass = $('.touch', jar);
      const width = Math.min(Number(glass.getAttribute('width')), 96) - 4;
      const x = Number(glass.getAttribute('x')) + Number(glass.getAttribute('width')) / 2 - width / 2;
      const y = Number(floor) - mm * Number(scale);
      const q = width / 4;
      $('.froth', jar).setAttribute('d', `M${x},${y}q${q / 2},-7 ${q},0t${q},0t${q},0t${q},0V${Number(floor) - 3}H${x}Z`);
      $('.reads', jar).textContent = `${mm} mm`;
    };
    const due = () => calls.find((call) => fields($('[data-jar]', step).dataset.jar).length && [...step.querySelectorAll(`[data-call="${call}"]`)].some((f) => !f.value));
    const send = (input, mm, minute) => {
      input.value = String(mm);
      queue.add(said, { step: input.name, value: `${minute.toFixed(2)}:${mm}`, key: crypto.randomUUID(), knew: knew.value }, `Foam ${input.name.slice(5)}`);
      input.dataset.sent = 'yes';
      if (due() === undefined) {
        done.add(step.dataset.step);
        setTimeout(() => { if (here === step) next(); }, 700);
      }
    };
    step.querySelectorAll('[data-jar]').forEach((jar) => jar.addEventListener('click', (event) => {
      const svg = jar.ownerSVGElement;
      const point = svg.createSVGPoint();
      point.x = event.clientX;
      point.y = event.clientY;
      const y = point.matrixTransform(svg.getScreenCTM().inverse()).y;
      const mm = Math.max(0, Math.round((Number(jar.dataset.floor) - y) / Number(jar.dataset.mm)));
      const call = due();
      const input = fields(jar.dataset.jar).find((f) => !f.value) ?? fields(jar.dataset.jar).at(-1);
      if (call === 0 && !start()) localStorage.setItem(began, String(Date.now()));
      draw(jar, mm);
      send(input, mm, Number(input.dataset.call) === 0 ? 0 : minutes());
    }));
    // What is already sent is not sent again with the form.
    step.querySelector('form').addEventListener('formdata', (event) => {
      step.querySelectorAll('[data-sent]').forEach((f) => event.formData.delete(f.name));
    });
    setInterval(() => {
      if (here !== step || !start()) return;
      const call = due();
      if (call === undefined) return;
      const left = Math.round((call - minutes()) * 60);
      clock.textContent = left > 0 ? `${call} min in ${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}` : `Tap now: ${call} min`;
      clock.classList.toggle('calls', left <= 0);
    }, 500);
  });
  const late = lately().map(([step]) => step).filter((step) => !done.has(step));
  late.forEach((step) => done.add(step));
  if (here && late.includes(here.dataset.step)) next();
  else show(here);
  queue.flush();

  if ('serviceWorker' in navigator) {
    const parts = performance.getEntriesByType('resource').map((r) => r.name).filter((n) => n.includes('/assets/'));
    navigator.serviceWorker.register('/offline.js').then(() => keepCopy(`/compare/${id}/sheet`, ...parts)).catch(() => {});
  }
})();
