// Hands on drawings: corners of a bed, sections of a layout, dates of a calendar. What is dragged is sent as if it had been typed.
(() => {
  const point = (svg, event) => new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM().inverse());
  const MARGIN = 14;
  let held = null;

  document.addEventListener('pointerdown', (event) => {
    const item = event.target.closest?.('[data-corner], [data-section], [data-work]');
    if (!item) return;
    held = { item, svg: item.ownerSVGElement, from: [event.clientX, event.clientY], moved: false };
    if (item.matches('[data-corner], [data-work]')) event.preventDefault();
  });

  document.addEventListener('pointermove', (event) => {
    if (!held) return;
    const { item, svg, from } = held;
    if (!held.moved && Math.hypot(event.clientX - from[0], event.clientY - from[1]) < 6) return;
    held.moved = true;
    document.body.classList.add('dragging');
    const at = point(svg, event);
    if (item.dataset.corner) {
      item.setAttribute('cx', at.x);
      item.setAttribute('cy', at.y);
      const bed = svg.querySelector('.bed');
      const corners = bed.getAttribute('points').split(' ');
      corners[Number(item.dataset.corner)] = `${at.x},${at.y}`;
      bed.setAttribute('points', corners.join(' '));
    } else if (item.dataset.section) {
      const start = point(svg, { clientX: from[0], clientY: from[1] });
      item.setAttribute('transform', `translate(${at.x - start.x} ${at.y - start.y})`);
      item.classList.add('held');
    } else {
      item.setAttribute('x', `${at.x}px`);
    }
  });

  const let_go = (event) => {
    const now = held;
    held = null;
    document.body.classList.remove('dragging');
    if (!now?.moved) return;
    const { item, svg } = now;
    if (item.dataset.corner) {
      const unit = Number(svg.dataset.unit);
      const text = svg.querySelector('.bed').getAttribute('points').split(' ')
        .map((corner) => corner.split(',').map((px) => Math.max(0, Math.round((px - MARGIN) / unit / 5) * 5)).join(','))
        .join(' ');
      const outline = document.querySelector('#outline');
      outline.value = text;
      outline.dispatchEvent(new Event('input', { bubbles: true }));
    } else if (item.dataset.section) {
      const under = document.elementFromPoint(event.clientX, event.clientY)?.closest('[data-section], [data-spare]');
      item.removeAttribute('transform');
      item.classList.remove('held');
      if (under && under !== item) send('#move-section', { code: item.dataset.section, with: under.dataset.section ?? under.dataset.spare });
    } else {
      const box = svg.getBoundingClientRect();
      const day = Math.round(((event.clientX - box.left) / box.width) * Number(svg.dataset.last));
      send('#move-work', { work: item.dataset.work, day: Math.max(0, day) });
    }
  };
  const send = (selector, values) => {
    const form = document.querySelector(selector);
    Object.entries(values).forEach(([name, value]) => { form.elements[name].value = value; });
    form.requestSubmit();
  };
  document.addEventListener('pointerup', let_go);
  document.addEventListener('pointercancel', () => { held = null; document.body.classList.remove('dragging'); });
  // A drag is no tap: the link under it is not followed.
  document.addEventListener('click', (event) => { if (event.target.closest('[data-section]') && document.body.classList.contains('dragging')) event.preventDefault(); }, true);

  // What is typed is sent after a moment's rest; whoever goes on sooner takes it along.
  let unsent = false;
  let flying = false;
  const form = () => document.querySelector('form#step');
  const ofForm = (event) => form() && event.detail.elt === form();
  document.addEventListener('input', (event) => { if (event.target.form && event.target.form === form()) unsent = true; });
  document.addEventListener('htmx:beforeRequest', (event) => {
    if (!ofForm(event)) return;
    unsent = false;
    flying = true;
  });
  document.addEventListener('htmx:afterRequest', (event) => { if (ofForm(event)) flying = false; });
  // Settled: what came in answer is drawn and listens.
  const sent = () => new Promise((resolve) => {
    const done = (event) => {
      if ((event.detail.requestConfig?.elt ?? event.detail.elt) !== form()) return;
      if (event.type === 'htmx:afterRequest' && event.detail.successful) return;
      document.removeEventListener('htmx:afterSettle', done);
      document.removeEventListener('htmx:afterRequest', done);
      setTimeout(resolve, 30);
    };
    document.addEventListener('htmx:afterSettle', done);
    document.addEventListener('htmx:afterRequest', done);
    if (!flying) window.htmx.trigger(form(), 'change');
  }).then(() => (unsent ? sent() : undefined));
  const waiting = () => form() && (unsent || flying);
  document.addEventListener('click', (event) => {
    const link = event.target.closest('a[href]');
    if (!link || !waiting() || event.defaultPrevented) return;
    event.preventDefault();
    sent().then(() => window.location.assign(link.href));
  });
  // What was pressed has been drawn anew meanwhile: its successor is pressed, with the same values.
  const again = (elt) => {
    const now = document.querySelector(`[hx-post="${elt.getAttribute('hx-post')}"]`);
    if (!now?.matches('form')) return now?.click();
    new FormData(elt).forEach((value, name) => { now.elements[name].value = value; });
    return now.requestSubmit();
  };
  document.addEventListener('htmx:confirm', (event) => {
    if (!waiting() || ofForm(event)) return;
    event.preventDefault();
    const { elt, issueRequest } = event.detail;
    sent().then(() => (elt.isConnected ? issueRequest(true) : again(elt)));
  });
  window.addEventListener('pagehide', () => {
    if (unsent && form()) fetch(form().action, { method: 'POST', body: new URLSearchParams(new FormData(form())), keepalive: true });
  });

  // Lines for contenders are all there; a hand asks for the next.
  document.addEventListener('alpine:init', () => {
    window.Alpine.data('contenders', () => ({
      more() {
        const next = this.$root.querySelector('.entrant[hidden]');
        if (!next) return;
        next.hidden = false;
        next.querySelector('input').focus();
      },
    }));
  });
})();
