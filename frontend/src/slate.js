// The Slate's own line: another device's readings are seen at once, and a reading that finds no connection waits in the browser.
(() => {
  const $ = (selector, from = document) => from.querySelector(selector);
  const work = () => $('#work');
  if (!work()) return;
  const { study } = work().dataset;
  const queue = window.evenSheenQueue;

  const busy = () => {
    const field = document.activeElement;
    return document.body.hasAttribute('aria-busy') || (field?.matches('#work input:not([type=hidden]):not([type=radio])') && field.value !== '') || $('[data-take].htmx-request');
  };
  let seen = 0;
  const look = () => {
    if (seen <= Number(work().dataset.revision) || busy()) return;
    htmx.ajax('GET', location.pathname + location.search, { target: '#work', swap: 'outerHTML' });
  };
  window.evenSheenWatch(study, (revision) => {
    seen = Math.max(seen, revision);
    look();
  });
  document.addEventListener('focusout', () => setTimeout(look, 400));

  const say = (text) => { $('#notice').textContent = text; };
  const putBy = async (event, why) => {
    const form = event.detail.elt;
    if (!form.matches?.('form.capture') || !form.action.endsWith('/readings')) return;
    const fields = Object.fromEntries([...new FormData(form)].filter(([, value]) => typeof value === 'string'));
    const button = event.detail.requestConfig?.triggeringEvent?.submitter;
    if (button?.name) fields[button.name] = button.value;
    if (![...form.querySelectorAll('input[inputmode=decimal]')].some((i) => i.value.trim()) && !fields.amount) return;
    const what = `${$('.ask', form)?.textContent ?? 'A reading'} on ${fields.section}${fields.amount ? `, ${fields.amount}` : ''}`;
    await queue.add(`/studies/${study}/capture`, fields, what);
    form.querySelectorAll('input:not([type=hidden]):not([type=radio])').forEach((input) => {
      input.value = '';
      input.dispatchEvent(new Event('input', { bubbles: true }));
    });
    say(`${why} ${what} is kept on this device and will be sent by itself. The run sheet goes on without a connection.`);
  };
  document.addEventListener('htmx:sendError', (event) => putBy(event, 'No connection.'));
  document.addEventListener('htmx:responseError', (event) => {
    if (event.detail.xhr.status !== 503) return;
    let why = 'Even Sheen is in trouble.';
    try { why = `${JSON.parse(event.detail.xhr.responseText).title}.`; } catch { /* not a problem document */ }
    putBy(event, why);
  });
  queue.listen((items, event) => {
    const here = items.filter((item) => item.url.startsWith(`/studies/${study}/`));
    const refused = here.find((item) => !queue.waits(item));
    if (refused) say(`${refused.what}: ${refused.refused ?? refused.aside} Open the run sheet to keep it or let it go.`);
    else if (event.said?.said) say(event.said.said);
  });
  queue.flush();
})();
