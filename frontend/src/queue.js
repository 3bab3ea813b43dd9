// What was captured waits here, in the browser's own store, until the server has acknowledged it: sent in order, one after the
// other, each with the key that its page made, so that it arrives exactly once however often it is sent.
window.evenSheenQueue = (() => {
  const opened = new Promise((resolve, reject) => {
    const asked = indexedDB.open('even-sheen', 1);
    asked.onupgradeneeded = () => {
      asked.result.createObjectStore('waiting', { keyPath: 'n', autoIncrement: true });
    };
    asked.onsuccess = () => resolve(asked.result);
    asked.onerror = () => reject(asked.error);
  });
  const done = (request) => new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error);
  });
  // Strict: what the page says is kept is on the disk, not in a buffer that a flat battery loses.
  const store = async (mode) => (await opened).transaction('waiting', mode, { durability: 'strict' }).objectStore('waiting');
  const kept = async (mode, act) => {
    const into = await store(mode);
    const result = await done(act(into));
    if (mode === 'readwrite') await new Promise((resolve) => { into.transaction.oncomplete = resolve; });
    return result;
  };
  const all = () => kept('readonly', (s) => s.getAll());
  const listeners = [];
  const tell = async (event) => {
    const items = await all();
    listeners.forEach((listener) => listener(items, event));
  };

  let sending = false;
  let again;
  let pause = 1000;
  const LONGEST_PAUSE = 15000;
  const send = async (item) => {
    const body = item.file ? new FormData() : new URLSearchParams();
    Object.entries(item.fields).forEach(([name, value]) => body.append(name, value));
    body.append('ago', String(Math.max(0, Date.now() - item.at)));
    if (item.file) body.append('photo', item.file, 'photo.jpg');
    return fetch(item.url, { method: 'POST', body, headers: { Accept: 'application/json' } });
  };
  const flush = async () => {
    clearTimeout(again);
    if (sending) return;
    sending = true;
    let said;
    let broke = false;
    try {
      for (const item of (await all()).filter((i) => !i.refused)) {
        const answer = await send(item);
        if (answer.ok) {
          said = await answer.json();
          await kept('readwrite', (s) => s.delete(item.n));
        } else if (answer.status >= 400 && answer.status < 500 && answer.status !== 408 && answer.status !== 429) {
          const problem = await answer.json().catch(() => ({}));
          await kept('readwrite', (s) => s.put({ ...item, refused: problem.detail ?? 'It was not taken.', repeat: problem.repeat }));
        } else {
          throw new Error(`the server is in trouble: ${answer.status}`);
        }
        pause = 1000;
      }
    } catch {
      broke = true;
      again = setTimeout(flush, pause);
      pause = Math.min(LONGEST_PAUSE, pause * 2);
    } finally {
      sending = false;
      await tell({ said, broke });
      if (!broke && (await all()).some((i) => !i.refused)) flush();
    }
  };
  window.addEventListener('online', () => { pause = 1000; flush(); });
  document.addEventListener('visibilitychange', () => { if (!document.hidden) flush(); });

  return {
    // Resolves once it is safely in the browser; sending goes on behind.
    add: async (url, fields, what, file) => {
      await kept('readwrite', (s) => s.add({ url, fields, what, file, at: Date.now() }));
      await tell({});
      flush();
    },
    change: async (item) => { await kept('readwrite', (s) => s.put(item)); flush(); },
    drop: async (n) => { await kept('readwrite', (s) => s.delete(n)); await tell({}); },
    listen: (listener) => { listeners.push(listener); tell({}); },
    flush,
  };
})();

// Says when a study has changed, here or on another device. A page that nobody sees does not hold its line open: a browser has few.
window.evenSheenWatch = (study, changed) => {
  let source;
  const listen = () => {
    source?.close();
    source = undefined;
    if (document.hidden) return;
    source = new EventSource(`/studies/${study}/changes`);
    source.addEventListener('revision', (event) => changed(Number(event.data)));
    source.addEventListener('open', () => window.evenSheenQueue.flush());
  };
  document.addEventListener('visibilitychange', listen);
  listen();
};
