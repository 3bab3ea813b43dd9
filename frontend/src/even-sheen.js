// What the server can't do for the page: the hook that follows the hand, keys, focus, and what was typed but not kept.
(() => {
  const $ = (selector, from = document) => from.querySelector(selector);
  const field = () => $('[data-entry] input:not([type=hidden]):not([type=radio])');

  // The hook follows the hand at once; the Panel and the Slate follow from the server, a few times a second and at last.
  const PACE = 90;
  let asked = 0;
  let waiting;
  const pulled = (tape) => {
    clearTimeout(waiting);
    const ask = () => {
      asked = Date.now();
      tape.dispatchEvent(new CustomEvent('pulled'));
    };
    const rest = PACE - (Date.now() - asked);
    if (rest <= 0) ask();
    else waiting = setTimeout(ask, rest);
  };
  document.addEventListener('input', (event) => {
    if (event.target.id !== 'day') return;
    const { value, max, dataset } = event.target;
    const hook = $('#hook');
    hook.setAttribute('x', `${(100 * value) / max}%`);
    const share = value / max;
    const words = $('.hook-day', hook);
    words.textContent = `${value === dataset.today ? 'Today, day' : 'Day'} ${value}`;
    pulled(event.target);
    words.setAttribute('text-anchor', share < 0.08 ? 'start' : share > 0.92 ? 'end' : 'middle');
  });

  // What was typed but not kept survives a reload and a look at another section.
  const slot = (input) => `draft:${input.form?.dataset.draft}:${input.name}`;
  document.addEventListener('input', (event) => {
    if (event.target.form?.dataset.draft && event.target.name) sessionStorage.setItem(slot(event.target), event.target.value);
  });
  const restore = () => {
    document.querySelectorAll('form[data-draft] :is(input:not([type=hidden]):not([type=radio]), textarea, select)').forEach((input) => {
      const typed = sessionStorage.getItem(slot(input));
      if (typed && typed !== input.value && (!input.value || 'draftOver' in input.form.dataset)) {
        input.value = typed;
        input.dispatchEvent(new Event('input', { bubbles: true }));
      }
    });
  };
  const forget = (draft) => Object.keys(sessionStorage).filter((key) => key.startsWith(`draft:${draft}:`)).forEach((key) => sessionStorage.removeItem(key));
  document.addEventListener('htmx:afterRequest', (event) => {
    const form = event.detail.elt;
    if (event.detail.successful && form.dataset?.draft) forget(form.dataset.draft);
  });
  // A form that was sent as a page of its own is forgotten once another page has come in answer.
  document.addEventListener('submit', (event) => {
    if (event.target.dataset.draft) sessionStorage.setItem('sent', event.target.dataset.draft);
  });
  document.addEventListener('DOMContentLoaded', () => {
    const sent = sessionStorage.getItem('sent');
    sessionStorage.removeItem('sent');
    if (sent && !$(`form[data-draft="${sent}"]`)) forget(sent);
  });

  // Focus goes to the next field to fill, unless the hand is on the tape or the screen is a phone just opened. A field
  // that has the focus already is left alone: somebody may be typing in it.
  const focusField = () => {
    const input = $('[data-entry] [aria-invalid=true]') ?? field();
    if (!input || document.activeElement === input) return;
    input.focus({ preventScroll: true });
    if (input.hasAttribute('aria-invalid')) input.select();
  };

  // Keys pressed while the Slate is being redrawn belong to its next field.
  let flying = 0;
  let settling = false;
  let ahead = '';
  const ofWork = (event) => event.detail.target?.id === 'work';
  const busy = () => document.body.toggleAttribute('aria-busy', flying > 0 || settling);
  const sectionOf = (key) => (/^[a-zA-Z]$/.test(key) ? $(`[data-code="${key.toUpperCase()}"]`) : null);
  const choose = (section) => section.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
  const place = () => {
    const section = sectionOf(ahead.charAt(0));
    if (section && !field()?.value) {
      ahead = ahead.slice(1);
      return choose(section);
    }
    const [typed, ...rest] = ahead.split('\n');
    ahead = '';
    const input = field();
    if (!input) return;
    if (typed && !input.value) {
      input.value = typed;
      input.dispatchEvent(new Event('input', { bubbles: true }));
    }
    if (rest.length && input.value) {
      ahead = rest.join('\n');
      input.form.requestSubmit();
    }
  };
  document.addEventListener('htmx:beforeRequest', (event) => {
    if (!ofWork(event)) return;
    flying += 1;
    busy();
  });
  document.addEventListener('htmx:beforeSwap', (event) => {
    if (ofWork(event) && event.detail.shouldSwap) settling = true;
  });
  document.addEventListener('htmx:afterRequest', (event) => {
    if (!ofWork(event)) return;
    flying -= 1;
    if (!event.detail.successful) ahead = '';
    busy();
  });
  document.addEventListener('htmx:afterSettle', (event) => {
    const asker = event.detail.requestConfig?.elt;
    if (event.target.id === 'workings-body' || !asker) return;
    restore();
    if (asker.id !== 'day' && !asker.hasAttribute('data-stay')) focusField();
    if (event.target.id !== 'work') return;
    settling = false;
    busy();
    if (flying === 0 && ahead) place();
  });
  document.addEventListener('keydown', (event) => {
    if (!(flying || settling) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.target.id === 'day' || event.key === '?' || !(event.key.length === 1 || event.key === 'Enter')) return;
    ahead += event.key === 'Enter' ? '\n' : event.key;
    event.preventDefault();
    event.stopImmediatePropagation();
  }, true);

  // What an instrument gave goes into the fields of the form that asked; a person still keeps it.
  document.addEventListener('htmx:afterSwap', (event) => {
    if (!event.target.matches?.('.taken')) return;
    const form = event.target.closest('form');
    event.target.querySelectorAll('[data-fill]').forEach(({ dataset }) => {
      const named = form.elements[dataset.fill];
      const field = named instanceof RadioNodeList ? [...named].find((one) => one.matches('input:not([type=radio])')) : named;
      if (!field) return;
      field.value = dataset.value ?? '';
      field.removeAttribute('aria-invalid');
      field.dispatchEvent(new Event('input', { bubbles: true }));
    });
  });
  // A number that is changed by hand is no longer the instrument's.
  document.addEventListener('input', (event) => {
    const fields = event.isTrusted && ['amount', 'ph'].includes(event.target.name) && event.target.form?.elements;
    if (fields?.take) fields.take.value = '';
    if (fields?.by) fields.by.value = '';
  });

  // Numbers open how they were worked out.
  document.addEventListener('htmx:afterSwap', (event) => {
    if (event.target.id === 'workings-body' && !$('#workings').open) $('#workings').showModal();
  });
  document.addEventListener('click', (event) => {
    const dialog = event.target.closest('dialog');
    if (event.target.closest('[data-close]') || event.target === dialog) dialog?.close();
    if (event.target.closest('[data-print]')) window.print();
    const opener = event.target.closest('[data-open]');
    if (opener) $(opener.dataset.open).showModal();
  });

  // Trouble is said where it is seen, and nothing typed is lost by it.
  const say = (text) => { $('#notice').textContent = text; };
  // A run sheet that could not be fetched afresh says so itself, where nothing is under it; what a half-typed reading would do to the
  // standing is of no weight beside what was said of a reading that was sent.
  const supposed = (event) => event.detail.target?.id === 'supposed';
  const quiet = (event) => supposed(event) || event.detail.target?.id === 'sheet';
  document.addEventListener('htmx:sendError', (event) => quiet(event) || say('No connection to Even Sheen. What you typed is still in the field; press Keep again when the line is back. It is kept once, however often you press.'));
  document.addEventListener('htmx:responseError', (event) => {
    if (quiet(event)) return;
    let text = 'That could not be done. What you typed is still in the field.';
    try { text = JSON.parse(event.detail.xhr.responseText).detail ?? text; } catch { /* not a problem document */ }
    say(text);
  });
  document.addEventListener('htmx:beforeRequest', (event) => supposed(event) || say(''));

  // Keys: letters choose sections, arrows move along the tape or between sections, ? lists them all.
  document.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || $('dialog[open]')) return;
    const typing = event.target.matches('input:not([type=range]):not([type=radio]), select, textarea');
    const emptyReading = typing && event.target === field() && event.target.value === '';
    if (event.key === 'Escape' && typing) return event.target.blur();
    if (event.key === 'Enter' && event.target === document.body) return $('[data-first]')?.click();
    if (event.key === '?' && (!typing || emptyReading)) {
      event.preventDefault();
      return $('#keys').showModal();
    }
    if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && event.target === field()) {
      event.preventDefault();
      return $(event.key === 'ArrowDown' ? '[data-next]' : '[data-before]')?.click();
    }
    const day = $('#day');
    if (!typing && day && event.target !== day && (event.key === 'ArrowLeft' || event.key === 'ArrowRight')) {
      event.preventDefault();
      day.value = Number(day.value) + (event.key === 'ArrowRight' ? 1 : -1);
      return day.dispatchEvent(new Event('input', { bubbles: true }));
    }
    const section = !typing || emptyReading ? sectionOf(event.key) : null;
    if (section) {
      event.preventDefault();
      choose(section);
    }
  });

  document.addEventListener('DOMContentLoaded', () => {
    restore();
    if (window.matchMedia('(min-width: 900px)').matches && $('[data-entry]')) focusField();
  });
})();
