// What was captured on this device and is not on the server: how much is on its way, and what was not taken and wants a decision.
(() => {
  const place = document.querySelector('#device');
  const queue = window.evenSheenQueue;
  queue.listen((items, event) => {
    const left = items.filter(queue.waits);
    const stuck = items.filter((item) => !queue.waits(item));
    place.hidden = !items.length;
    const words = left.length ? `${event.trouble ?? ''} ${left.length} kept on this device, not sent yet.`.trim() : '';
    const save = Object.assign(document.createElement('button'), { type: 'button', className: 'button quiet', textContent: 'Save all of it to a file' });
    save.addEventListener('click', () => queue.save(items));
    place.querySelector('[data-items]').replaceChildren(
      ...(words ? [Object.assign(document.createElement('p'), { textContent: words })] : []),
      ...stuck.map((item) => window.evenSheenRefusal(item)),
      save,
    );
  });
  queue.flush();
})();
