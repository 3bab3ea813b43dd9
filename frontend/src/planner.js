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
