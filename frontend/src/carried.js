// An answer that redraws fields keeps what was typed or chosen in them while it was on its way, and asks again with it.
(() => {
  const sent = new WeakMap();
  let carried = [];
  const typable = (target) => [...target.querySelectorAll('input[id]:not([type=hidden], [type=radio], [type=range]), select[id]')];
  const redraws = ({ detail }) => detail.requestConfig.elt.hasAttribute('data-stay') && detail.target?.isConnected;
  document.addEventListener('htmx:beforeRequest', (event) => {
    if (redraws(event)) sent.set(event.detail.xhr, new Map(typable(event.detail.target).map(({ id, value }) => [id, value])));
  });
  document.addEventListener('htmx:beforeSwap', (event) => {
    const was = sent.get(event.detail.xhr);
    carried = was && event.detail.shouldSwap ? typable(event.detail.target).filter(({ id, value }) => was.has(id) && was.get(id) !== value) : [];
  });
  document.addEventListener('htmx:afterSwap', () => {
    carried = carried.map(({ id, value }) => ({ now: document.getElementById(id), value })).filter(({ now }) => now);
    carried.forEach(({ now, value }) => { now.value = value; });
  });
  document.addEventListener('htmx:afterSettle', () => {
    const told = (now) => now.dispatchEvent(new Event('change', { bubbles: true }));
    carried.splice(0).forEach(({ now }) => {
      if (now !== document.activeElement || now.matches('select')) return told(now);
      let changed = false;
      now.addEventListener('change', () => { changed = true; }, { once: true });
      now.addEventListener('blur', () => changed || told(now), { once: true });
    });
  });
})();
